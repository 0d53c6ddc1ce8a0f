import { t } from 'tests/english';
import { libraryDrill } from '@/core/drill';
import { nearestRung, ownPlace, standing } from '@/core/layout';
import { askedOf, type Asking } from './asking';
import { playOf, proposedRung, standsAs, type PlayerRun } from './play';
import type { WireMark, WirePutt } from './wire';

const drill = libraryDrill('straight-gate')!;
const at = (seconds: number) => new Date(Date.UTC(2026, 10, 24, 9, 0, seconds)).toISOString();

const player = (more: Partial<PlayerRun> = {}): PlayerRun => ({
  sessionId: 'session',
  runId: 'run',
  student: { id: 'student', name: 'Sal Brick' },
  drillId: 'drill',
  drillName: drill.name,
  layout: drill.layout,
  run: { putts: [], marks: [] },
  rule: { type: 'row', length: 3 },
  cap: { putts: 60, minutes: 25 },
  manners: [],
  spots: 'set',
  farther: 0.9,
  cold: false,
  ladder: drill.ladder.map((_, index) => `rung ${index}`),
  rung: 2,
  begunOn: 2,
  nearest: nearestRung(drill.layout, drill.ladder),
  earlier: [],
  card: { last: null, today: false, putters: [] },
  plan: null,
  ...more,
});
/** C clear, L left, a small letter does not count; one every twenty seconds. */
const putts = (letters: string): WirePutt[] =>
  [...letters].map((letter, index) => ({
    id: String(index),
    outcomes: { ballGate1: letter.toUpperCase() === 'C' ? 'clear' : 'left' },
    points: {},
    guess: null,
    measured: {},
    filled: [],
    place: ownPlace(drill.layout),
    manner: 'usual',
    note: '',
    leftOut: letter !== letter.toUpperCase(),
    at: at(20 * index),
    undone: false,
    changes: [],
  }));
const mark = (mark: WireMark['mark'], seconds: number): WireMark => ({
  id: `${mark.type} ${seconds}`,
  mark,
  at: at(seconds),
});
const play = (one: PlayerRun, letters: string, marks: WireMark[] = []) =>
  playOf(one, { putts: putts(letters), marks });

describe('how a player stands', () => {
  it('counts what counts, by the rule, and tells the pace of play', () => {
    const found = play(player(), 'CLcCCCC');
    expect(found.counts).toMatchObject({ putts: 6, clear: 5, best: 4 });
    expect(found.progress).toMatchObject({ ended: 'done', taken: 5 });
    expect(found.pace).toBe(20);
    expect(found.fit.of).toBe(6);
  });

  it('goes on from earlier runs of the same going, and their marks', () => {
    const earlier = [
      {
        layout: drill.layout,
        putts: putts('CC').map(({ outcomes, at: when }) => ({
          outcomes,
          guess: null,
          at: new Date(when),
        })),
        marks: [{ mark: { type: 'set up' as const, out: { tee: 2 } }, at: new Date(at(0)) }],
      },
    ];
    const found = play(player({ earlier }), 'C');
    expect(found.progress.ended).toBe('done');
    expect(found.course).toMatchObject({ setUp: true, out: { tee: 2 } });
  });

  it('stands alike for layouts that put the same things in the same places', () => {
    const other = libraryDrill('box-gate')!.layout;
    expect(standsAs(drill.layout)).toBe(standsAs({ ...drill.layout }));
    expect(standsAs(drill.layout)).not.toBe(standsAs(other));
    expect(standing(other).length).toBeGreaterThan(1);
  });
});

describe('what the screen asks', () => {
  const done: string[] = [];
  const asking = (more: Partial<Asking> = {}): Asking => ({
    asks: false,
    won: null,
    ended: null,
    proposed: true,
    resume: () => void done.push('resume'),
    refuse: () => void done.push('refuse'),
    goOn: () => void done.push('go on'),
    climb: (rung) => void done.push(`climb ${rung}`),
    goTo: ({ drillId, rung }) => void done.push(`go to ${drillId} ${rung}`),
    finish: () => void done.push('finish'),
    next: () => void done.push('next'),
    ...more,
  });
  const asked = (one: PlayerRun, letters: string, more?: Partial<Asking>, marks?: WireMark[]) =>
    askedOf(t, one, play(one, letters, marks), asking(more));

  it('is nothing while all goes well', () => {
    expect(asked(player(), 'CLC')).toBeNull();
  });

  it('is to go on, while paused, whatever else is so', () => {
    const found = asked(player(), 'CCC', { asks: true, ended: 'Done.' }, [
      mark({ type: 'pause' }, 9),
    ]);
    expect(found).toMatchObject({ words: 'Paused. The clock is stopped.' });
  });

  it('is a roomier rung where a gate is much too hard, but not in the middle of a test or a ladder', () => {
    const hard = asked(player(), 'LLLLLLLL')!;
    expect(hard.words).toContain('Passed 0 of the last 8');
    hard.primary!.act();
    expect(done.at(-1)).toBe(`climb ${player().nearest! - 1}`);
    expect(asked(player(), 'LLLLLLLL', { proposed: false })).toBeNull();
    for (const steady of [{ cold: true }, { rule: { type: 'ladder', up: 3, down: 9 } as const }]) {
      const one = player(steady);
      expect(proposedRung(one, play(one, 'LLLLLLLL').fit)).toBeNull();
    }
  });

  it('has no rung to propose below the first, nor without a ladder', () => {
    const { fit } = play(player(), 'LLLLLLLL');
    expect(proposedRung(player({ nearest: 0 }), fit)).toEqual({ rung: null });
    expect(proposedRung(player({ nearest: null }), fit)).toEqual({ rung: null });
  });

  it('is the next rung of a ladder, the drill after a cold test, or the end', () => {
    const ladder = player({ rule: { type: 'ladder', up: 2, down: 2 } });
    expect(asked(ladder, 'CC', { asks: true })!.words).toContain('Move up to rung 4');
    const cold = player({ cold: true, rule: { type: 'assessment', putts: 3 } });
    const after = asked(cold, 'CLC', { asks: true, ended: 'Completed in 3 putts.' })!;
    expect(after.words).toBe('Cold test done: 2 of 3 through. Now start the drill.');
    after.primary!.act();
    expect(done.at(-1)).toBe('go to drill 2');
    const end = asked(player(), 'CCC', { asks: true, ended: 'Completed in 3 putts.' })!;
    expect(end.words).toBe('Completed in 3 putts.');
    const won = asked(player(), 'CCC', { asks: true, won: 'Sal has won.', ended: 'Done.' })!;
    expect(won.words).toBe('Sal has won.');
    won.primary!.act();
    expect(done.at(-1)).toBe('finish');
  });

  it('is the next drill of a plan, in place of the end and of the drill after a test', () => {
    const plan = { index: 0, count: 3, next: 'Coin roll-over' };
    const cold = player({ plan, cold: true, rule: { type: 'assessment', putts: 3 } });
    for (const one of [player({ plan }), cold]) {
      const found = asked(one, 'CCC', { asks: true, ended: 'Completed in 3 putts.' })!;
      expect(found.primary!.label).toBe('Next: Coin roll-over');
      found.primary!.act();
      expect(done.at(-1)).toBe('next');
    }
    expect(asked(cold, 'CLC', { asks: true, ended: 'Done.' })!.words).toBe(
      'Part 1 of 3 done: 2 of 3 through.',
    );
    const over = { ...cold, plan: { ...plan, index: 2, next: null } };
    expect(asked(over, 'CLC', { asks: true, ended: 'Done.' })).toMatchObject({
      words: 'Cold test done. The last part: 2 of 3 through.',
      primary: { label: 'Finish' },
    });
    const last = player({ plan: { ...plan, index: 2, next: null } });
    expect(asked(last, 'CCC', { asks: true, ended: 'Done.' })!.primary!.label).toBe('Finish');
  });
});
