import fc from 'fast-check';
import { begun, changed, redone, settled, undone, type History } from './history';

describe('a history', () => {
  const three = ['b', 'c', 'd'].reduce((old, next) => changed(old, next, null), begun('a'));

  it('goes back step by step and forth again', () => {
    const back = undone(undone(three));
    expect(back.now).toBe('b');
    expect(undone(undone(back)).now).toBe('a');
    expect(redone(back).now).toBe('c');
    expect(redone(redone(redone(back))).now).toBe('d');
  });

  it('forgets what was taken back once something else is done', () => {
    const other = changed(undone(three), 'x', null);
    expect(redone(other)).toBe(other);
    expect(undone(other).now).toBe('c');
  });

  it('takes changes of the same thing in a row for one step, until it settles', () => {
    const dragged = [1, 2, 3].reduce((old, next) => changed(old, next, 'drag'), begun(0));
    expect(undone(dragged).now).toBe(0);
    const again = changed(settled(dragged), 4, 'drag');
    expect(undone(again).now).toBe(3);
    expect(changed(dragged, 9, 'other').past).toEqual([0, 3]);
  });

  it('tells every undo and redo apart from a change, and no change from one', () => {
    expect(changed(three, 'd', null)).toBe(three);
    expect([three.turn, undone(three).turn, redone(undone(three)).turn]).toEqual([0, 1, 2]);
    expect(undone(begun(1))).toEqual(begun(1));
  });

  it('comes back to where it was, however it went', () => {
    const steps = fc.array(
      fc.oneof(
        fc.record({
          type: fc.constant('change' as const),
          to: fc.integer(),
          of: fc.constantFrom('a', 'b', null),
        }),
        fc.record({ type: fc.constantFrom('undo' as const, 'redo' as const, 'settle' as const) }),
      ),
      { maxLength: 60 },
    );
    fc.assert(
      fc.property(steps, (some) => {
        let history: History<number> = begun(0);
        for (const step of some) {
          if (step.type === 'change') history = changed(history, step.to, step.of);
          else history = { undo: undone, redo: redone, settle: settled }[step.type](history);
        }
        const { now, past } = history;
        let back = history;
        for (let count = 0; count < past.length; count++) back = undone(back);
        expect(back.now).toBe(0);
        for (let count = 0; count < past.length; count++) back = redone(back);
        expect(back.now).toBe(now);
      }),
    );
  });
});
