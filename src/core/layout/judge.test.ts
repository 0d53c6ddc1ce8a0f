import fc from 'fast-check';
import { LIBRARY, libraryDrill } from '@/core/drill';
import { allAsIntended, judge, outcomesProblem, pointsProblem, standing, type Layout } from '.';

const drill = (key: string): Layout => libraryDrill(key)!.layout;
const idOf = (layout: Layout, kind: string) =>
  layout.elements.find((element) => element.kind === kind)!.id;

describe('what was logged', () => {
  const layout = drill('limit-line');
  const [zone, cup] = [idOf(layout, 'paceZone'), idOf(layout, 'hole')];

  it('may be left open, but something was seen', () => {
    expect(outcomesProblem(layout, { [zone]: 'in' })).toBeNull();
    expect(outcomesProblem(layout, {})).toBe(
      'Nothing was logged for this putt. Say what happened at the pace zone or the hole.',
    );
  });

  it('names what is not there, and what cannot happen with what is allowed', () => {
    expect(outcomesProblem(layout, { moon: 'in' })).toBe('This layout has no element “moon”.');
    expect(outcomesProblem(layout, { [cup]: 'bounced' })).toBe(
      '“bounced” cannot happen at the hole. Choose from: holed, left, right, short, lip, past.',
    );
  });

  it.each([
    ['short', 'holed'],
    ['short', 'left'],
    ['long', 'short'],
    ['long', 'holed'],
    ['in', 'short'],
  ])('cannot be %s at the zone and %s at the hole', (at, there) => {
    const said = outcomesProblem(layout, { [zone]: at, [cup]: there });
    expect(said).toMatch(/^“.+” at the pace zone and “.+” at the hole cannot both be true/);
  });

  it.each([
    ['in', 'holed'],
    ['in', 'right'],
    ['long', 'lip'],
    ['short', 'short'],
    ['short', 'lip'],
  ])('can be %s at the zone and %s at the hole', (at, there) =>
    expect(outcomesProblem(layout, { [zone]: at, [cup]: there })).toBeNull(),
  );
});

describe('a putt on which all was as it should be', () => {
  it('passes on every drill that logs anything, and is true of one putt', () => {
    for (const { layout, key } of LIBRARY) {
      const all = allAsIntended(layout);
      if (Object.keys(all).length === 0) continue;
      expect([key, outcomesProblem(layout, all)]).toEqual([key, null]);
      expect([key, judge(layout)(all)]).toEqual([key, true]);
    }
  });

  it('keeps what was seen, whatever it was, and never contradicts it', () => {
    const drills = LIBRARY.filter(({ layout }) =>
      standing(layout).some((element) => element.outcomes().length > 0),
    );
    fc.assert(
      fc.property(fc.constantFrom(...drills), fc.nat(), fc.nat(), ({ layout }, which, what) => {
        const logged = standing(layout).filter((element) => element.outcomes().length > 0);
        const element = logged[which % logged.length]!;
        const outcomes = element.outcomes();
        const { id } = outcomes[what % outcomes.length]!;
        const all = allAsIntended(layout, { [element.id]: id });
        expect(all[element.id]).toBe(id);
        expect(outcomesProblem(layout, all)).toBeNull();
      }),
    );
  });
});

describe('a putt that was only partly seen', () => {
  const layout = drill('three-in-one');
  const [head, gate] = [idOf(layout, 'putterGate'), idOf(layout, 'ballGate')];
  const passes = judge(layout);

  it('passes by what was seen of what counts, and fails by one miss', () => {
    expect(passes({ [gate]: 'clear' })).toBe(true);
    expect(passes({ [gate]: 'clear', [head]: 'left' })).toBe(false);
  });

  it('neither passes nor misses by what nobody saw', () => expect(passes({})).toBeNull());
});

describe('what was pointed at', () => {
  const layout = drill('limit-line');
  const cup = idOf(layout, 'hole');
  const spot = { along: layout.putt.distance + 0.4, across: 0.2 };

  it('agrees with what was logged there', () => {
    expect(pointsProblem(layout, { [cup]: 'right' }, { [cup]: spot })).toBeNull();
    expect(pointsProblem(layout, { [cup]: 'left' }, { [cup]: spot })).toContain('means “right”');
    expect(pointsProblem(layout, {}, { [cup]: spot })).toContain('but nothing was logged');
    // Off the rim, which the spot does not tell.
    expect(pointsProblem(layout, { [cup]: 'lip' }, { [cup]: spot })).toBeNull();
  });

  it('is on the picture, or says by how much it is not', () => {
    const off = { along: 900, across: 0 };
    expect(pointsProblem(layout, { [cup]: 'right' }, { [cup]: off })).toContain(
      '900000 mm along is outside the picture of the hole',
    );
  });

  it('is not asked where the ball lay, when nobody knows it', () => {
    expect(pointsProblem(layout, { [cup]: 'left' }, { [cup]: spot }, false)).toBeNull();
  });
});
