import { t } from 'tests/english';
/** @jest-environment node */
import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import {
  LIBRARY,
  capSchema,
  MANNER_IDS,
  playRule,
  replay,
  ruleGround,
  rulePutts,
  tallyRuns,
  type LibraryDrill,
  type TimedPutt,
} from '@/core/drill';
import { blockFacts } from '@/features/session/facts';
import { byManner, byPlace } from '@/features/session/by-place';
import { outcomeWords, puttWords } from '@/features/session/outcome-words';
import {
  allAsIntended,
  checkLayout,
  fitted,
  layoutAt,
  onRung,
  outcomesProblem,
  placeSchema,
  pointsProblem,
  standing,
  tallyMarks,
  type Layout,
  type Outcomes,
  type Points,
} from '@/core/layout';
import { finishOf, oddsOf } from '@/core/planning';
import { DEFAULT_FACE_SHARE, findingsOf, priorBelief, scoreHistory } from '@/core/scoring';
import { model } from '@/core/scoring/likelihood';
import { DEFAULT_UNITS, DEGREE } from '@/core/units';

const LOGS = 5_000;
/** Putts of one run. */
const PUTTS = 40;
/** Every so many runs are also scored and planned, which takes longer. */
const WHOLE = 12;

const player = fc.record({
  hand: fc.constantFrom('left' as const, 'right' as const),
  headLength: between(0.06, 0.18),
  headDepth: between(0.01, 0.16),
  lieAngle: between(60 * DEGREE, 80 * DEGREE),
  school: fc.constantFrom('arc' as const, 'straight' as const),
  seated: fc.boolean(),
});
const green = fc.record({
  greenSpeed: between(1.2, 5),
  past: between(0, 1.5),
  slope: fc.record({ grade: between(0, 0.08), falls: between(-Math.PI, Math.PI) }),
});
/** What happens on a putt, as numbers that its layout turns into outcomes. */
const happening = fc.record({
  picks: fc.array(fc.nat(40), { minLength: 6, maxLength: 6 }),
  unseen: fc.nat(5),
  spot: fc.option(fc.record({ along: between(-1.5, 2), across: between(-1, 1) }), { freq: 2 }),
  mark: fc.option(fc.record({ along: between(-0.03, 0.03), across: between(-0.09, 0.09) }), {
    freq: 2,
  }),
  manner: fc.option(fc.constantFrom(...MANNER_IDS), { freq: 4 }),
  leftOut: fc.nat(9),
});
type Happening = typeof happening extends fc.Arbitrary<infer T> ? T : never;

/** A drill as some coach may have set it for some player on some green; null where it cannot be built. */
function built(
  drill: LibraryDrill,
  who: Layout['player'],
  ground: { greenSpeed: number; past: number; slope: Layout['putt']['slope'] },
  sloping: boolean,
  rung: number | null,
): Layout | null {
  try {
    const own = rung === null ? drill.layout : onRung(drill.layout, drill.ladder[rung]!);
    const { slope, ...rest } = ground;
    const moved = { ...own.putt, ...rest, ...(sloping && { slope }) };
    const layout = fitted({ ...own, putt: moved }, who);
    return checkLayout(layout).some(({ severity }) => severity === 'error') ? null : layout;
  } catch {
    return null;
  }
}

/** A putt that the border takes: what contradicts itself is left unseen. */
function loggable(layout: Layout, { picks, unseen, spot, mark }: Happening) {
  let outcomes: Outcomes = {};
  const points: Points = {};
  const elements = standing(layout).filter((element) => element.outcomes().length > 0);
  elements.forEach((element, index) => {
    if (unseen === index) return;
    const { pointing } = element;
    const touched = pointing?.on === 'face' ? mark : pointing && spot;
    const at = touched && {
      along: touched.along + (pointing!.on === 'green' ? layout.putt.distance : 0),
      across: touched.across,
    };
    const ids = element.outcomes().map(({ id }) => id);
    const outcome = at ? pointing!.outcome(at) : ids[picks[index % picks.length]! % ids.length]!;
    const next = { ...outcomes, [element.id]: outcome };
    if (outcomesProblem(layout, next) !== null) return;
    if (at && pointsProblem(layout, next, { [element.id]: at }) === null) points[element.id] = at;
    outcomes = next;
  });
  if (Object.keys(outcomes).length === 0) outcomes = allAsIntended(layout);
  return { outcomes, points };
}

const finite = (value: unknown): boolean =>
  JSON.stringify(value, (_key, one: unknown) => {
    if (typeof one === 'number' && Number.isNaN(one)) throw new RangeError('A number is none.');
    return one;
  }) !== undefined;

it('any log that the border takes goes through replay, scoring, review and planning, and stays a number', () => {
  let [logged, scored, set] = [0, 0, 0];
  fc.assert(
    fc.property(
      fc.constantFrom(...LIBRARY),
      player,
      green,
      fc.boolean(),
      fc.option(fc.nat(9)),
      fc.array(happening, { minLength: PUTTS, maxLength: PUTTS }),
      (drill, who, ground, sloping, at, all) => {
        const rung = at !== null && at < drill.ladder.length ? at : null;
        const layout = built(drill, who, ground, sloping, rung);
        if (!layout) return;
        set += 1;
        const rules = ruleGround(layout, drill.ladder.length, rung);
        const course = { ...drill, farther: 0.9 };
        const putts: (TimedPutt & { leftOut: boolean })[] = [];
        for (const [index, one] of all.entries()) {
          const so = putts.map((putt) => ({ ...putt, passedOver: putt.leftOut }));
          const { next } = replay(course, rules, [{ layout, putts: so.slice(-1) }]);
          expect(placeSchema.safeParse(next!.place).success).toBe(true);
          const there = layoutAt(layout, next!.place) ?? layout;
          putts.push({
            ...loggable(there, one),
            place: next!.place,
            manner: one.manner ?? next!.manner,
            at: new Date(Date.UTC(2026, 0, 5, 10, 0, 20 * index)),
            leftOut: one.leftOut === 0,
          });
        }
        logged += putts.length;
        const counting = putts.filter(({ leftOut }) => !leftOut);
        const played = replay(course, rules, [{ layout, putts }]);
        expect(played.made[0]).toHaveLength(putts.length);
        const progress = playRule(
          drill.rule,
          drill.cap,
          rules,
          rulePutts([{ layout, putts: counting }]),
        );
        expect(
          finite([progress, tallyRuns([{ layout, putts: counting.map((one) => one.outcomes) }])]),
        ).toBe(true);
        const found = findingsOf([{ layout, putts: counting }]);
        // What cannot be scored is set aside with its reason, and only where nobody knows where it was made.
        for (const { reason } of found.unscored) expect(reason).toContain('No spot was recorded');
        const { ready, chance, size } = model(DEFAULT_FACE_SHARE, found.stands.length);
        const parameters = new Float64Array(size);
        parameters.set(priorBelief().mean);
        for (const cell of found.cells) {
          const p = chance(ready(cell), parameters);
          expect(Number.isFinite(p) && p > 0).toBe(true);
        }
        expect(
          finite(
            tallyMarks(
              layout,
              counting.map((one) => one.outcomes),
            ),
          ),
        ).toBe(true);
        const placed = counting.map((one) => ({ ...one, place: one.place! }));
        expect(
          finite([byPlace(t, layout, placed, DEFAULT_UNITS), byManner(t, layout, placed)]),
        ).toBe(true);
        outcomeWords(
          t,
          layout,
          counting.map((one) => one.outcomes),
        );
        for (const one of counting.slice(0, 3)) {
          const said = { ...one, points: one.points ?? {}, guess: null };
          expect(
            puttWords(t, layoutAt(layout, one.place!) ?? layout, said, DEFAULT_UNITS),
          ).not.toContain('NaN');
        }
        if (set % WHOLE !== 0) return;
        scored += 1;
        const [score] = scoreHistory([
          { id: 'one', at: new Date(Date.UTC(2026, 0, 5)), runs: [{ layout, putts: counting }] },
        ]);
        if (score) expect(finite([score.alone, score.carried, score.smoothed])).toBe(true);
        const odds = oddsOf(
          layout,
          { ladder: drill.ladder, rung },
          priorBelief(),
          DEFAULT_FACE_SHARE,
          {
            points: 2,
            thrown: 12,
          },
        );
        const capped = capSchema.parse({ putts: 60, minutes: 25 });
        expect(finite(finishOf(drill.rule, capped, rules, odds, 25, 20).median)).toBe(true);
        const { layout: _drawn, ...details } = drill;
        blockFacts({
          runs: [
            {
              ...details,
              id: 'run',
              drillId: 'drill',
              drillName: drill.name,
              layout,
              rung,
              block: 1,
              cold: false,
              planBlock: null,
              marks: [],
              putts: putts.map((one, index) => ({
                points: {},
                guess: null,
                note: '',
                undoneAt: null,
                measured: {},
                filled: [],
                changes: [],
                ...one,
                place: one.place!,
                manner: one.manner!,
                id: String(index),
              })),
            },
          ],
        });
      },
    ),
    // Half of what is drawn can be built on that green for that player.
    { numRuns: (2.4 * LOGS) / PUTTS, seed: 12, endOnFailure: true },
  );
  expect(logged).toBeGreaterThan(LOGS);
  expect(scored).toBeGreaterThan(10);
}, 240_000);
