import { t } from 'tests/english';
import fc from 'fast-check';
import { CARD_FIELD_IDS, cardField, emptyCard, type Card, type CardFieldId } from '@/core/setup';
import { asSentence, DEFAULT_UNITS, DEGREE } from '@/core/units';
import { between } from 'tests/arbitraries';
import { cardForm, typedCard, type CardInput } from './form';
import { putterForm, putterWords, typedPutter, type PutterInput } from './putter-form';
import { cardLines, cardSummary } from './words';

const inches = { ...DEFAULT_UNITS, short: 'imperial' as const };
const PUTTERS = [
  { id: 'b', name: 'Blade' },
  { id: 'm', name: 'Mallet' },
];
const nothing: CardInput = typedCard(emptyCard(), DEFAULT_UNITS);
const said = (input: Partial<CardInput>, units = DEFAULT_UNITS) => {
  const parsed = cardForm(t, units, PUTTERS).safeParse({ ...nothing, ...input });
  return parsed.success
    ? parsed.data
    : Object.fromEntries(parsed.error.issues.map(({ path, message }) => [path.join('.'), message]));
};

/** Any value of a field that a tape or an eye could give: whole millimetres. */
const valueOf = (id: CardFieldId): fc.Arbitrary<unknown> => {
  const field = cardField(id);
  switch (field.kind) {
    case 'choice':
      return fc.constantFrom(...Object.keys(field.options));
    case 'number':
      return fc.integer({ min: field.min, max: field.max });
    case 'text':
      return fc.constantFrom('a chair', 'a frame');
    case 'length': {
      const most = field.sides ? Math.min(-field.min, field.max) : field.max;
      const least = field.sides ? -most : field.min;
      return fc
        .integer({ min: Math.ceil(1000 * least), max: Math.floor(1000 * most) })
        .map((millimetres) => millimetres / 1000);
    }
  }
};
const anyCard = fc.record(
  Object.fromEntries(
    CARD_FIELD_IDS.map((id) => [id, fc.option(valueOf(id), { nil: null })]),
  ) as Record<CardFieldId, fc.Arbitrary<never>>,
);

describe('a card as it is typed', () => {
  it('is empty where nobody looked', () => expect(said({})).toEqual(emptyCard()));

  it('is read back as it is typed, whatever is on it', () => {
    fc.assert(
      fc.property(anyCard, fc.constantFrom(null, ...PUTTERS), (fields, putter) => {
        const card = { ...fields, putter } as Card;
        const back = cardForm(t, DEFAULT_UNITS, PUTTERS).parse(typedCard(card, DEFAULT_UNITS));
        for (const id of CARD_FIELD_IDS) {
          const [was, is] = [card[id], back[id]];
          if (typeof was === 'number') expect(is).toBeCloseTo(was, 6);
          else expect(is).toEqual(was);
        }
        expect(back.putter).toEqual(putter);
      }),
    );
  });

  it('takes each unit, and a bare number in the coach’s own', () => {
    expect(said({ ball: '1 1/2 in ahead' })).toMatchObject({ ball: expect.closeTo(0.0381, 6) });
    expect(said({ ball: '30 behind' })).toMatchObject({ ball: expect.closeTo(-0.03, 6) });
    expect(said({ eyes: '1 inside' }, inches)).toMatchObject({ eyes: expect.closeTo(0.0254, 6) });
    expect(said({ eyes: '0' })).toMatchObject({ eyes: 0 });
    expect(said({ leadFoot: '55 %' })).toMatchObject({ leadFoot: 55 });
    expect(said({ stance: '30 cm' })).toMatchObject({ stance: expect.closeTo(0.3, 6) });
  });

  it.each<[Partial<CardInput>, string]>([
    [{ pressure: '0' }, '“0”: Grip pressure must be a whole number from 1 to 10.'],
    [{ pressure: 'firm' }, '“firm”: Grip pressure must be a whole number from 1 to 10.'],
    [{ pressure: '4.5' }, '“4.5”: Grip pressure must be a whole number from 1 to 10.'],
    [
      { leadFoot: '120 %' },
      '“120 %”: Weight on the lead foot must be a whole number from 20 to 90.',
    ],
    [{ ball: '30 mm' }, 'Add the side: 30 mm behind or 30 mm ahead.'],
    [{ eyes: '2 m inside' }, 'Eye position from the ball line of 2 m is too large'],
    [{ stance: 'wide' }, '“wide” is not a length.'],
    [{ aids: 'x'.repeat(81) }, 'at most 80 characters'],
  ])('%j is refused beside its field, with what is allowed', (input, message) => {
    const [id] = Object.keys(input);
    expect((said(input) as Record<string, string>)[id!]).toContain(message);
  });

  it('knows only the putters that there are', () => {
    expect(said({ putter: 'm' })).toMatchObject({ putter: PUTTERS[1] });
    expect(said({ putter: 'gone' })).toMatchObject({ putter: null });
  });
});

describe('a card in a line', () => {
  const card = (more: Partial<Card>): Card => ({ ...emptyCard(), ...more });

  it('says what was looked at, in the order in which a coach looks', () => {
    const one = card({
      sole: 'flat',
      putter: PUTTERS[0]!,
      eyes: 0,
      grip: 'claw',
      pressure: 1,
      leadFoot: 55,
      ball: 0.03,
      gaze: 'follows',
    });
    expect(cardSummary(one, DEFAULT_UNITS)).toBe(
      'Blade · claw · grip pressure 1 out of 10 · ball 30 mm ahead · eyes over the line · 55 % on the lead foot · head: eyes follow the ball · sole flat',
    );
    expect(cardSummary(card({ ball: 0 }), inches)).toBe('ball at the breastbone');
    expect(cardSummary(emptyCard(), DEFAULT_UNITS)).toBe('');
  });

  it('is a checklist, a line each, each begun as a sentence', () => {
    expect(cardLines(card({ grip: 'claw', sole: 'toe' }), DEFAULT_UNITS)).toEqual([
      'Claw',
      'Toe up',
    ]);
    expect(cardLines(emptyCard(), DEFAULT_UNITS)).toEqual([]);
    expect(asSentence('own putter')).toBe('Own putter');
  });
});

describe('a putter as it is typed', () => {
  const values = {
    name: 'Harbour mallet',
    headLength: 0.1,
    headDepth: 0.09,
    lieAngle: 71 * DEGREE,
    length: 0.864,
    loft: 3.5 * DEGREE,
    shape: 'mallet' as const,
    mass: 0.36,
    inertia: 0.00045,
    grip: 'thick',
  };
  const typed = typedPutter(t, values, DEFAULT_UNITS);
  const wrong = (more: Partial<PutterInput>) =>
    putterForm(DEFAULT_UNITS).safeParse({ ...typed, ...more }).error?.issues[0]?.message;

  it('is read back as it is typed, in either unit', () => {
    for (const units of [DEFAULT_UNITS, inches]) {
      const back = putterForm(units).parse(typedPutter(t, values, units));
      expect(back).toMatchObject({ name: 'Harbour mallet', shape: 'mallet', grip: 'thick' });
      // A tape in inches shows sixteenths.
      expect(back.length).toBeCloseTo(values.length, units === inches ? 2 : 6);
      expect(back.loft! / DEGREE).toBeCloseTo(3.5, 6);
      expect(back.mass).toBeCloseTo(0.36, 6);
      expect(back.inertia).toBeCloseTo(0.00045, 9);
    }
  });

  it('may be measured in part', () => {
    const bare = { length: '', loft: '', shape: '' as const, mass: '', inertia: '', grip: '' };
    expect(putterForm(DEFAULT_UNITS).parse({ ...typed, ...bare })).toMatchObject({
      ...{ length: null, loft: null, shape: null, mass: null, inertia: null, grip: '' },
    });
  });

  it('names what is not believed, and what is', () => {
    expect(wrong({ mass: '5000 g' })).toBe(
      'A head mass of “5000 g” is out of range: use 200 to 800 g.',
    );
    expect(wrong({ inertia: 'much' })).toMatch(/“much” is out of range: use 1,000 to 20,000 g cm²/);
    expect(wrong({ loft: '14°' })).toMatch(/use 0° to 10°/);
    expect(wrong({ length: '3 m' })).toMatch(/too large/);
    expect(wrong({ name: ' ' })).toBe('Enter a name.');
  });

  it('is said in a line, what is known of it only', () => {
    expect(putterWords(t, values, DEFAULT_UNITS)).toBe(
      'mallet · 864 mm long · head 100 mm by 90 mm · lie 71° · loft 3.5° · 360 g · 4500 g cm² · grip: thick',
    );
    fc.assert(
      fc.property(between(0.06, 0.18), (headLength) => {
        const unknown = { length: null, loft: null, shape: null, mass: null, inertia: null };
        const words = putterWords(
          t,
          { ...values, ...unknown, grip: '', headLength },
          DEFAULT_UNITS,
        );
        expect(words).toMatch(/^head \d+ mm by 90 mm · lie 71°$/);
      }),
    );
  });
});
