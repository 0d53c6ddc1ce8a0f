import { checkLayout, fitted, layoutSchema, onRung, rungStrictness, standing } from '@/core/layout';
import { fittingOf, studentValues, type StudentValues } from '@/core/people';
import { DEFAULT_UNITS, showLength } from '@/core/units';
import { LIBRARY, drillSchema, libraryDrill, libraryFor, ruleWords, skills } from '.';

/** Players as unlike each other as the demo's: hands, blades and deep mallets, both schools, seated. */
const PLAYERS: [name: string, values: Partial<StudentValues>][] = [
  [
    'left-handed blade',
    { hand: 'left', putter: { headLength: 0.112, headDepth: 0.024, lieAngle: 1.22 } },
  ],
  ['mallet', { putter: { headLength: 0.098, headDepth: 0.088, lieAngle: 1.25 } }],
  ['junior', { putter: { headLength: 0.09, headDepth: 0.022, lieAngle: 1.2 }, level: 'improving' }],
  ['seated', { seated: true, putter: { headLength: 0.104, headDepth: 0.07, lieAngle: 1.1 } }],
  ['beginner', { putter: { headLength: 0.115, headDepth: 0.03, lieAngle: 1.22 } }],
  [
    'straight',
    { school: 'straight', putter: { headLength: 0.11, headDepth: 0.06, lieAngle: 1.22 } },
  ],
  [
    'left, straight',
    {
      hand: 'left',
      school: 'straight',
      putter: { headLength: 0.108, headDepth: 0.026, lieAngle: 1.22 },
    },
  ],
  ['wide', { putter: { headLength: 0.112, headDepth: 0.045, lieAngle: 1.3 } }],
];

const player = (values: Partial<StudentValues>) =>
  fittingOf(
    studentValues.parse({
      name: 'Someone',
      hand: 'right',
      level: 'steady',
      seated: false,
      notes: '',
      putter: { headLength: 0.112, headDepth: 0.025 },
      ...values,
    }),
  );

describe('the library', () => {
  it('closes a gate to nothing a millimetre at a time, as its words say', () => {
    const { ladder, layout } = libraryDrill('zero-air-gate')!;
    const [gate] = layout.elements.filter(({ kind }) => kind === 'putterGate');
    expect(ladder.map(({ set }) => Math.round(1000 * set[gate!.id]!.clearance!))).toEqual([
      6, 5, 4, 3, 2, 1, 0,
    ]);
  });

  it('holds more than forty drills, each under a key and a name of its own', () => {
    expect(LIBRARY.length).toBeGreaterThanOrEqual(46);
    expect(new Set(LIBRARY.map(({ key }) => key)).size).toBe(LIBRARY.length);
    expect(new Set(LIBRARY.map(({ name }) => name)).size).toBe(LIBRARY.length);
    expect(libraryDrill('twin-gates')?.name).toBe('Twin gates');
    expect(libraryDrill('moat')).toBeNull();
  });

  it('trains every skill, and suits a left-hander in no other words', () => {
    for (const skill of skills()) {
      expect(LIBRARY.filter(({ skills }) => skills.includes(skill)).length).toBeGreaterThan(2);
    }
    for (const { steps, judge, errors } of LIBRARY) {
      for (const text of [...steps, judge, ...errors]) {
        expect(text).not.toMatch(/\b(left|right)(-hand| hand| tee| foot| shoulder)\b/);
      }
    }
  });

  describe.each(LIBRARY.map((drill) => [drill.key, drill] as const))('%s', (_key, drill) => {
    it('is a whole drill that goes to JSON and back', () => {
      const { key: _left, ...values } = drill;
      expect(drillSchema.parse(JSON.parse(JSON.stringify(values)))).toEqual(values);
      for (const text of [drill.purpose, drill.when, drill.whenNot, drill.judge, drill.dose]) {
        expect(text.length).toBeGreaterThan(6);
      }
      expect(drill.steps.length).toBeGreaterThan(0);
      expect(drill.errors.length).toBeGreaterThan(0);
      expect(ruleWords(drill.rule).length).toBeGreaterThan(8);
    });

    it('asks for something that can be logged', () => {
      expect(standing(drill.layout).some((element) => element.outcomes().length > 0)).toBe(true);
    });

    it.each(PLAYERS)('builds for a player: %s', (_name, values) => {
      const layout = fitted(drill.layout, player(values));
      const errors = checkLayout(layout).filter(({ severity }) => severity === 'error');
      expect(errors.map(({ message }) => message)).toEqual([]);
      expect(layoutSchema.parse(layout)).toEqual(layout);
    });

    it('has a ladder whose every rung builds and is stricter than the one before', () => {
      expect(drill.ladder.length).toBeGreaterThanOrEqual(4);
      let last = Infinity;
      for (const rung of drill.ladder) {
        for (const [, values] of PLAYERS.slice(0, 3)) {
          const layout = onRung(fitted(drill.layout, player(values)), rung);
          const errors = checkLayout(layout).filter(({ severity }) => severity === 'error');
          expect(errors.map(({ message }) => message)).toEqual([]);
        }
        const { tolerance } = rungStrictness(onRung(drill.layout, rung), rung);
        expect(tolerance).toBeLessThan(last);
        last = tolerance;
      }
    });
  });
});

describe('ladders as a coach’s tape shows them', () => {
  /** Lengths along the line that a rung changes, by name. */
  const along = ({ putt, set }: (typeof LIBRARY)[number]['ladder'][number]): [string, number][] => [
    ...(putt === undefined ? [] : ([['putt', putt]] as [string, number][])),
    ...Object.values(set)
      .flatMap((params) => Object.entries(params))
      .filter(([name]) => ['distance', 'length', 'depth'].includes(name)),
  ];

  it.each([
    { long: 'imperial' as const, half: 0.0254 / 4, shown: /^(\d+ ft)? ?(\d+)?( ?1\/2)? ?(in)?$/ },
    { long: 'metric' as const, half: 0.005, shown: /^\d+(\.\d\d?)? (m|cm)$/ },
  ])(
    'in $long: as many, all different, each within half a step, and such as stand on it',
    (tape) => {
      const units = { ...DEFAULT_UNITS, long: tape.long };
      const told = libraryFor(units);
      expect(told.map(({ key }) => key)).toEqual(LIBRARY.map(({ key }) => key));
      let lengths = 0;
      for (const [at, { key, ladder, layout }] of told.entries()) {
        expect(ladder).toHaveLength(LIBRARY[at]!.ladder.length);
        expect([key, new Set(ladder.map((rung) => JSON.stringify(rung))).size]).toEqual([
          key,
          ladder.length,
        ]);
        for (const [index, rung] of ladder.entries()) {
          // Its numbers are such as its elements take.
          layoutSchema.parse(onRung(layout, rung));
          const exact = along(LIBRARY[at]!.ladder[index]!);
          for (const [i, [name, metres]] of along(rung).entries()) {
            expect(Math.abs(metres - exact[i]![1])).toBeLessThanOrEqual(tape.half + 1e-9);
            expect(showLength(metres, name === 'putt' ? 'putt' : 'along', units)).toMatch(
              tape.shown,
            );
            lengths += 1;
          }
        }
      }
      expect(lengths).toBeGreaterThan(100);
    },
  );
});
