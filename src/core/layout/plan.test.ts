import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { BALL_DIAMETER, DEFAULT_PUTT, type Putt } from '@/core/green';
import { STANDARD_FITTING } from '@/core/people';
import { DEFAULT_UNITS, DEGREE, INCH, toDegrees } from '@/core/units';
import {
  ELEMENTS,
  asBuilt,
  asPlanned,
  ballGateLayout,
  fitted,
  gateTolerance,
  hiddenByGap,
  isBuilt,
  isMeasured,
  judge,
  ladderWays,
  layoutSchema,
  makeLadder,
  measuredOff,
  nearestRung,
  onRung,
  rungStrictness,
  sensitivityOf,
  standing,
  tapeFindings,
  tapeList,
  type BallGate,
  type Evidence,
  type Layout,
} from '.';

const putt: Putt = { ...DEFAULT_PUTT, past: 0.45 };
const gate: BallGate = {
  distance: 18 * INCH,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
  made: 'tees',
  on: 'line',
};
const layout = ballGateLayout(putt, gate);
const box = layoutSchema.parse({
  putt,
  elements: [
    { id: 'ball', kind: 'ballMark', params: { marker: 'coin' } },
    {
      id: 'box',
      kind: 'boxGate',
      params: { ...ELEMENTS.boxGate.defaults(putt), behind: 0.075, ahead: 0.075 },
    },
    {
      id: 'putter',
      kind: 'putterGate',
      params: { ...ELEMENTS.putterGate.defaults(putt), place: 'ahead', by: 0.2 },
    },
  ],
});
const millimetres = (metres: number) => Math.round(metres * 1000) / 1000;

describe('as built', () => {
  it('takes the place of what was planned, in tolerance and in evidence', () => {
    const built = asBuilt(layout, 'gate', { gap: 0.062, distance: 0.465 });
    expect(built.ok).toBe(true);
    if (!built.ok) return;
    const [, stands] = standing(built.layout);
    const real = gateTolerance({ ...gate, gap: 0.062, distance: 0.465 });
    expect(stands!.tolerance()).toEqual(real);
    expect(stands!.evidence('right')[0]).toMatchObject({ lower: real.right });
    expect(isBuilt(built.layout)).toBe(true);
    expect(asPlanned(built.layout)).toEqual(layout);
    expect(layoutSchema.parse(JSON.parse(JSON.stringify(built.layout)))).toEqual(built.layout);
  });

  it('measures the gap of a putter gate, and the air follows for this head', () => {
    const built = asBuilt(box, 'putter', { gap: 0.124 });
    // 6 mm either side of a square head. The arc bends by cos 70° · 1.2² / (1.2² - 0.2125²)^1.5 = 0.2988 per m about 21 cm
    // ahead, so that the rear edge of a head 25 mm deep lags 0.025² / 2 · 0.2988 = 0.093 mm aside: half of it on each side.
    expect(built.ok && standing(built.layout)[2]!.tolerance()!.right).toBeCloseTo(0.005953, 6);
    const wide = built.ok && fitted(built.layout, { ...STANDARD_FITTING, headLength: 0.12 });
    // A longer head has 2 mm, and lags as much.
    expect(wide && standing(wide)[2]!.tolerance()!.right).toBeCloseTo(0.001953, 6);
  });

  it.each([
    ['gate', { gap: 0.042 }, 'wider than the ball'],
    ['gate', { moat: 1 }, 'has no “moat”'],
    ['moat', { gap: 0.06 }, 'no element “moat”'],
    ['gate', { distance: 3 }, 'is beyond the hole'],
  ])('refuses %s %p', (id, measured, words) => {
    const built = asBuilt(layout, id, measured as Record<string, number>);
    expect(built).toMatchObject({
      ok: false,
      finding: { message: expect.stringContaining(words) },
    });
  });

  it('keeps how far off a photo was, and believes the gap no more than that', () => {
    const measured = { gap: 0.062, distance: 0.465 };
    const built = asBuilt(layout, 'gate', measured, { gap: 0.0012, ball: 0.001 });
    if (!built.ok) throw new Error(built.finding.message);
    expect(built.layout.elements.find(({ id }) => id === 'gate')).toMatchObject({
      built: measured,
      builtOff: { gap: 0.0012 },
    });
    // The gap may be 1.2 mm wider: 0.6 mm each side, 46.5 cm away.
    const widened = (off: Record<string, number>) => {
      const stands = asBuilt(layout, 'gate', measured, off);
      if (!stands.ok) throw new Error(stands.finding.message);
      const gate = standing(stands.layout).find(({ id }) => id === 'gate')!;
      const piece = stands.layout.elements.find(({ id }) => id === 'gate')!;
      const upper = (told: Evidence[]) => ('upper' in told[0]! ? told[0].upper : NaN);
      const wide = upper(measuredOff(gate, piece)[0]!.evidence('clear'));
      return { more: wide - upper(gate.evidence('clear')), sure: isMeasured(gate, piece) };
    };
    expect(toDegrees(widened({ gap: 0.0012 }).more)).toBeCloseTo(0.6 / 465 / DEGREE, 2);
    expect(toDegrees(widened({}).more)).toBeCloseTo(0.25 / 465 / DEGREE, 2);
    expect(widened({ gap: 0.0012 }).sure).toBe(true);
    expect(widened({ gap: 0.003 }).sure).toBe(false);
  });

  it('refuses a putter gate measured narrower than the head', () => {
    expect(asBuilt(box, 'putter', { gap: 0.1 })).toMatchObject({
      ok: false,
      finding: { message: expect.stringContaining('narrower than the putter head') },
    });
  });
});

describe('sensitivity', () => {
  it('of a box lies in its gap first: 1 mm more each side over 75 mm is 0.76°', () => {
    const [first] = sensitivityOf(box, 'box');
    expect(first!.name).toBe('gap');
    expect(toDegrees(first!.change)).toBeCloseTo(toDegrees(Math.atan(1 / 75)), 1);
  });

  it('is nothing where there is no tolerance', () => {
    expect(sensitivityOf(layout, 'ball')).toEqual([]);
    expect(sensitivityOf(layout, 'moat')).toEqual([]);
  });
});

describe('a ladder', () => {
  it('goes from 12 mm of air each side to 2 mm in all, in even steps of a millimetre', () => {
    const ladder = makeLadder(layout, 'gap', 6, millimetres);
    const gaps = ladder.map(({ set }) => set.gate!.gap!);
    expect(gaps[0]).toBeCloseTo(BALL_DIAMETER + 0.024, 3);
    expect(gaps.at(-1)).toBeCloseTo(BALL_DIAMETER + 0.002, 3);
    expect(gaps).toEqual([0.067, 0.062, 0.058, 0.053, 0.049, 0.045]);
  });

  it('gets stricter whatever makes it so, within the ends that are asked for', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<'gap' | 'distance' | 'putt'>('gap', 'distance', 'putt'),
        fc.integer({ min: 2, max: 10 }),
        between(1.5, 8),
        (by, count, distance) => {
          const here = { ...layout, putt: { ...putt, distance } };
          const ladder = makeLadder(here, by, count, millimetres);
          expect(ladder.length).toBeLessThanOrEqual(count);
          let last = Infinity;
          for (const rung of ladder) {
            const { tolerance, quantity } = rungStrictness(onRung(here, rung), rung);
            expect(quantity).toBe('start');
            expect(tolerance).toBeLessThan(last);
            last = tolerance;
          }
        },
      ),
      { numRuns: 40 },
    );
    const ends = makeLadder(layout, 'gap', 3, millimetres, { roomy: 0.07, strict: 0.05 });
    expect(ends.map(({ set }) => set.gate!.gap)).toEqual([0.07, 0.06, 0.05]);
  });

  it('has a rung nearest to how it is drawn', () => {
    const ladder = makeLadder(layout, 'gap', 6, millimetres);
    // Drawn with 60 mm there are 17.3 mm of air; the rungs of 62 and 58 mm have 19.3 (×1.115) and 15.3 (÷1.130).
    expect(nearestRung(layout, ladder)).toBe(1);
    for (const [index, rung] of ladder.entries()) {
      expect(nearestRung(onRung(layout, rung), ladder)).toBe(index);
    }
    expect(nearestRung(layout, [])).toBeNull();
  });

  it('knows what can make it harder, and leaves the drill itself alone', () => {
    expect(ladderWays(layout)).toEqual(['gap', 'distance', 'putt']);
    expect(ladderWays(box)).toEqual(['gap', 'putt']);
    const bare = layoutSchema.parse({ putt, elements: [layout.elements[0]] });
    expect(ladderWays(bare)).toEqual(['putt']);
    expect(makeLadder(bare, 'gap', 5, millimetres)).toEqual([]);
    onRung(layout, { set: { gate: { gap: 0.05 } } });
    expect(layout.elements[1]).toMatchObject({ params: { gap: 0.06 } });
    expect(() => onRung(layout, { set: { gate: { gap: 0.01 } } })).toThrow();
  });
});

describe('the tape list', () => {
  const falling: Layout = { ...box, putt: { ...putt, slope: { grade: 0.02, falls: -1 } } };

  it('begins at the ball mark, goes outward, and has every place once', () => {
    const rows = tapeList(falling);
    expect(rows[0]!.what).toBe('ball');
    expect(rows[1]!.what).toBe('pin');
    const tees = rows.filter(({ what }) => what === 'tee');
    expect(tees).toHaveLength(6);
    for (const [index, { at }] of tees.entries()) {
      if (index > 0) {
        expect(Math.abs(at.along)).toBeGreaterThanOrEqual(
          Math.abs(tees[index - 1]!.at.along) - 0.03,
        );
      }
    }
    expect(new Set(rows.map(({ label }) => label).filter(Boolean)).size).toBe(6);
  });

  it('leads back to where the tees stand, and to the gaps that are checked', () => {
    const rows = tapeList(falling);
    const places = standing(falling).flatMap((element) =>
      element.places().map((place) => ({ id: `${element.id}-${place.id}`, at: place.at })),
    );
    for (const { id, at } of places) {
      // A tape on the line to the hole finds along, a square to it across.
      const row = rows.find((one) => one.id === id)!;
      expect([row.at.along, row.at.across]).toEqual([at.along, at.across]);
    }
    for (const row of rows) {
      for (const { between, metres } of row.checks) {
        const [a, b] = between.map((id) => {
          const element = row.id.split('-')[0]!;
          return rows.find((one) => one.id === `${element}-${id}`)!.at;
        });
        const apart = Math.hypot(a!.along - b!.along, a!.across - b!.across);
        expect(apart - 0.005).toBeCloseTo(metres, 9);
      }
    }
    expect(rows.flatMap(({ checks }) => checks)).toHaveLength(3);
  });
});

describe('what a tape cannot show', () => {
  const imperial = { ...DEFAULT_UNITS, short: 'imperial' as const };
  it('is named with the marks on either side', () => {
    expect(tapeFindings(layout, DEFAULT_UNITS)).toEqual([]);
    const [found] = tapeFindings(layout, imperial);
    // 60 mm are 37.8 sixteenths of an inch.
    expect(found).toMatchObject({
      severity: 'warning',
      element: 'gate',
      lengths: {
        down: { metres: expect.closeTo((37 / 16) * INCH) },
        up: { metres: expect.closeTo((38 / 16) * INCH) },
      },
    });
  });
});

describe('what counts', () => {
  const three = layoutSchema.parse({
    putt,
    elements: [
      ...layout.elements,
      { id: 'zone', kind: 'paceZone', params: { shape: 'band', depth: 0.45 } },
      { id: 'cup', kind: 'hole', params: {} },
    ],
  });
  const happened = { gate: 'left', zone: 'in', cup: 'holed' };
  it.each([
    ['all', false],
    ['gate', false],
    ['zone', true],
    ['hole', true],
  ] as const)('%s', (counts, passed) => {
    expect(judge({ ...three, counts })(happened)).toBe(passed);
  });

  it('is all that is logged when there is none of the kind asked for', () => {
    expect(judge({ ...layout, counts: 'hole' })({ gate: 'clear' })).toBe(true);
  });
});

describe('what a gap that was not measured hides', () => {
  it('is, by hand, 1 - exp(-1.2816 √2 · 1.5 mm / air), and nothing once it was measured', () => {
    const layout = ballGateLayout(putt, { ...gate, gap: 0.067 });
    const { id } = layout.elements.find(({ kind }) => kind === 'ballGate')!;
    // 67 mm less the ball's 42.67 mm leave 24.33 mm of air: 1.2816 · 1.4142 · 1.5 / 24.33 = 0.11174.
    expect(hiddenByGap(layout)).toBeCloseTo(0.10572, 4);
    const built = asBuilt(layout, id, { gap: 0.0665 });
    expect(built.ok && hiddenByGap(built.layout)).toBeNull();
  });
});
