import { COLD_RULE, beginOn, libraryDrill, moveOn } from '.';
import { STANDARD_FITTING } from '@/core/people';

const { layout, ladder, rule } = libraryDrill('gate-ladder')!;
const gapOf = (of: typeof layout) => {
  const gate = of.elements.find(({ kind }) => kind === 'ballGate')!;
  return (gate.params as { gap: number }).gap;
};
/** The gap that a rung sets, read from the ladder itself. */
const rungGap = (rung: number) =>
  (Object.values(ladder[rung]!.set)[0] as { gap: number } | undefined)?.gap;

test('a drill begins on the rung that is asked for, fitted to the player', () => {
  const fitting = { ...STANDARD_FITTING, hand: 'left' as const };
  const begun = beginOn({ layout, ladder, rule }, fitting, 1);
  expect(begun.rung).toBe(1);
  expect(gapOf(begun.layout)).toBeCloseTo(rungGap(1)!, 9);
  expect(begun.layout.player.hand).toBe('left');
});

test('a rule that climbs begins on a rung, so that the next is known; another as it is drawn', () => {
  expect(rule.type).toBe('ladder');
  const climbing = beginOn({ layout, ladder, rule }, STANDARD_FITTING);
  expect(climbing.rung).not.toBeNull();
  // The nearest: no other rung's gap is closer to the one that is drawn.
  const away = ladder.map((_, rung) => Math.abs(rungGap(rung)! - gapOf(layout)));
  expect(away[climbing.rung!]).toBe(Math.min(...away));
  const free = beginOn({ layout, ladder, rule: COLD_RULE }, STANDARD_FITTING);
  expect(free.rung).toBeNull();
  expect(gapOf(free.layout)).toBe(gapOf(layout));
});

test('another rung keeps the player, the putt and the green as they were read', () => {
  const fitting = { ...STANDARD_FITTING, seated: true };
  const begun = beginOn({ layout, ladder, rule }, fitting, 0).layout;
  const played = { ...begun, putt: { ...begun.putt, greenSpeed: 2.4 } };
  const next = moveOn({ layout, ladder }, played, 2);
  expect(gapOf(next)).toBeCloseTo(rungGap(2)!, 9);
  expect(next.player).toEqual(played.player);
  expect(next.putt).toEqual(played.putt);
});

test('a rung that is not there is named', () => {
  expect(() => beginOn({ layout, ladder, rule }, STANDARD_FITTING, ladder.length)).toThrow(
    `This drill has ${ladder.length} rungs: there is no rung ${ladder.length + 1}.`,
  );
  expect(() => moveOn({ layout, ladder }, layout, 40)).toThrow('there is no rung 41');
});
