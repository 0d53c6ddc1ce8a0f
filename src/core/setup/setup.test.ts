import fc from 'fast-check';
import { DEFAULT_UNITS, DEGREE } from '@/core/units';
import { between } from 'tests/arbitraries';
import {
  CARD_FIELDS,
  CARD_FIELD_IDS,
  adviceOf,
  cardChanges,
  cardField,
  cardSchema,
  emptyCard,
  filledOn,
  fittingHints,
  isLookedAt,
  valueWords,
  type Card,
} from '.';

const card = (more: Partial<Card> = {}): Card => ({ ...emptyCard(), ...more });
const inches = { ...DEFAULT_UNITS, short: 'imperial' as const };
const blade = { id: 'b', name: 'Blade' };
const mallet = { id: 'm', name: 'Mallet' };

/** Any card that can be filled in. */
const anyCard = fc.record(
  Object.fromEntries(
    [...CARD_FIELD_IDS, 'putter' as const].map((id) => {
      if (id === 'putter') return [id, fc.constantFrom(null, blade, mallet)];
      const field = cardField(id);
      const value = (): fc.Arbitrary<unknown> => {
        switch (field.kind) {
          case 'choice':
            return fc.constantFrom(...Object.keys(field.options));
          case 'number':
            return fc.integer({ min: field.min, max: field.max });
          case 'length':
            return between(field.min, field.max);
          case 'text':
            return fc.constantFrom('a chair', 'a frame with a seat');
        }
      };
      return [id, fc.option(value(), { nil: null })];
    }),
  ) as { [Id in keyof Card]: fc.Arbitrary<Card[Id]> },
);

describe('a set-up card', () => {
  it('takes what can be so, and names what cannot', () => {
    expect(cardSchema.safeParse(card({ pressure: 4, ball: 0.03, grip: 'claw' })).success).toBe(
      true,
    );
    const wrong: Partial<Card>[] = [
      { pressure: 11 },
      { pressure: 3.5 },
      { ball: 0.5 },
      { leadFoot: 5 },
      { grip: 'by the teeth' },
      { aids: 'x'.repeat(CARD_FIELDS.aids.most + 1) },
    ];
    for (const one of wrong) expect(cardSchema.safeParse(card(one)).success).toBe(false);
    expect(isLookedAt(emptyCard())).toBe(false);
    expect(isLookedAt(card({ sole: 'flat' }))).toBe(true);
  });

  it.each<[keyof typeof CARD_FIELDS, Partial<Card>, string, string]>([
    ['grip', { grip: 'lead low' }, 'lead hand low', 'lead hand low'],
    ['pressure', { pressure: 1 }, '1 out of 10', '1 out of 10'],
    ['leadFoot', { leadFoot: 55 }, '55 %', '55 %'],
    ['ball', { ball: 0.0381 }, '38 mm ahead', '1 1/2 in ahead'],
    ['ball', { ball: -0.0127 }, '13 mm behind', '1/2 in behind'],
    ['ball', { ball: 0 }, 'level with the breastbone', 'level with the breastbone'],
    ['eyes', { eyes: 0.0254 }, '25 mm inside', '1 in inside'],
    ['eyes', { eyes: -0.0254 }, '25 mm outside', '1 in outside'],
    ['eyes', { eyes: 0 }, 'over the line', 'over the line'],
    ['stance', { stance: 0.3048 }, '305 mm', '12 in'],
    ['aids', { aids: 'a chair' }, 'a chair', 'a chair'],
  ])('says %s %j as a coach does, in each unit', (id, more, metric, imperial) => {
    expect(valueWords(id, card(more), DEFAULT_UNITS)).toBe(metric);
    expect(valueWords(id, card(more), inches)).toBe(imperial);
    expect(valueWords(id, emptyCard(), inches)).toBeNull();
  });

  it('tells what changed, and not what nobody looked at or nobody can repeat', () => {
    const before = card({ grip: 'reverse overlap', eyes: 0.01, ball: 0.03, putter: blade });
    const after = card({ grip: 'claw', eyes: 0.02, stance: 0.3, ball: 0.045, putter: mallet });
    expect(cardChanges(before, after, DEFAULT_UNITS)).toEqual([
      { id: 'putter', name: 'Putter', from: 'Blade', to: 'Mallet' },
      { id: 'grip', name: 'Grip', from: 'reverse overlap', to: 'claw' },
      {
        id: 'ball',
        name: 'Ball position from the breastbone',
        from: '30 mm ahead',
        to: '45 mm ahead',
      },
    ]);
  });

  it('never differs from itself, and keeps what was looked at when it is filled on', () => {
    fc.assert(
      fc.property(anyCard, anyCard, (one, other) => {
        expect(cardSchema.safeParse(one).success).toBe(true);
        expect(cardChanges(one, one, DEFAULT_UNITS)).toEqual([]);
        const both = filledOn(one, other);
        for (const id of Object.keys(both) as (keyof Card)[])
          expect(both[id]).toEqual(other[id] ?? one[id]);
      }),
    );
  });
});

describe('what fits whom', () => {
  const words = (more: Partial<Card>, seated = false) =>
    adviceOf(card(more), seated, DEFAULT_UNITS).map((one) => `${one.kind}: ${one.words}`);

  it('says nothing of what is as it is taught, or was not looked at', () => {
    expect(words({})).toEqual([]);
    const taught = { eyes: 0, ball: 0.03, leadFoot: 55, pressure: 3, posture: 'tall' };
    expect(words({ ...taught, moves: 'shoulders', gaze: 'still' })).toEqual([]);
  });

  it('speaks of what is not, cautions first', () => {
    const [first, ...rest] = words({ posture: 'bent', eyes: -0.03, pressure: 8 });
    expect(first).toMatch(/^caution: Bending over .* ask a doctor/);
    expect(rest.join(' ')).toMatch(/the eyes 30 mm outside/);
    expect(rest.join(' ')).toMatch(/grip pressure of 8 out of 10/);
    expect(words({ gaze: 'closed' })[0]).toMatch(/prone to falls|fall/);
    expect(words({ leadFoot: 40 }, true).join(' ')).not.toMatch(/40 %/);
    expect(words({}, true)[0]).toMatch(/brakes on/);
  });
});

describe('fitting', () => {
  const putter = { length: 0.8636, lieAngle: 70 * DEGREE, loft: 4 * DEGREE };
  const loft = (middle: number, off = 0.3) => ({
    low: (middle - off) * DEGREE,
    middle: middle * DEGREE,
    high: (middle + off) * DEGREE,
  });

  it('has the sole lie flat by the lie', () => {
    const [toe] = fittingHints(card({ sole: 'toe' }), putter, null, DEFAULT_UNITS);
    expect(toe).toMatchObject({ part: 'lie' });
    expect(toe!.words).toMatch(/70° is too upright .* Try 68°/);
    expect(fittingHints(card({ sole: 'heel' }), putter, null, inches)[0]!.words).toMatch(
      /too flat .* Try 72°/,
    );
    expect(fittingHints(card({ sole: 'flat' }), putter, null, inches)).toEqual([]);
  });

  it('has the arms hang and the eyes come right by the length', () => {
    const of = (more: Partial<Card>) => fittingHints(card(more), putter, null, inches);
    expect(of({ posture: 'bent', eyes: -0.03 })[0]!.words).toMatch(
      /shorter than its current 34 in/,
    );
    expect(of({ posture: 'tall', eyes: 0.08 })[0]!.words).toMatch(/1\/2 in shorter/);
    expect(of({ posture: 'tall', eyes: -0.03 })[0]!.words).toMatch(/1\/2 in longer/);
    expect(of({ posture: 'tall', eyes: 0.02 })).toEqual([]);
    expect(of({ posture: 'seated', eyes: 0.2 })).toEqual([]);
  });

  it('takes the loft from what was read at impact, by hand: 3° wanted, 6° found, on 4°', () => {
    const [hint] = fittingHints(emptyCard(), putter, loft(3), DEFAULT_UNITS);
    // 4° on the club and 6° at impact: the shaft leans 2° back. Three degrees less on the club would be 1°.
    expect(hint!.words).toMatch(/Loft at impact is 6.0° \(4.0° .* 2.0° back\)/);
    expect(hint!.words).toMatch(/About 1° on the club/);
    expect(fittingHints(emptyCard(), putter, loft(0.5), DEFAULT_UNITS)).toEqual([]);
    expect(fittingHints(emptyCard(), putter, loft(3, 2.5), DEFAULT_UNITS)).toEqual([]);
    expect(fittingHints(emptyCard(), { ...putter, loft: null }, loft(3), DEFAULT_UNITS)).toEqual(
      [],
    );
  });
});
