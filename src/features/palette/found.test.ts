import fc from 'fast-check';
import { found, type PaletteEntry } from './found';

const DO = ['Start a session', 'Add a student', 'Create drill', 'Change settings'];
const entries: PaletteEntry[] = [
  ...DO.map((name) => ({ group: 'actions' as const, name, href: `/do/${name}` })),
  ...['Otto Lockgate', 'Ida Lotton', 'Élodie Quay', 'Ot Ware', 'Otto Warehouse'].map((name) => ({
    group: 'students' as const,
    name,
    href: `/students/${name}`,
  })),
  ...['Otter gate', 'Start gate', 'Gate of one degree'].map((name) => ({
    group: 'drills' as const,
    name,
    href: `/drills/${name}`,
  })),
];
const names = (typed: string) => found(entries, typed).map(({ name }) => name);

test.each([
  // "dO sTarT a sessiOn" has the letters in this order; it is not what was meant.
  ['otto', ['Otto Lockgate', 'Otto Warehouse', 'Ida Lotton']],
  ['ot', ['Otto Lockgate', 'Ot Ware', 'Otto Warehouse', 'Otter gate', 'Ida Lotton']],
  ['start', ['Start gate', 'Start a session']],
  ['gate', ['Gate of one degree', 'Otter gate', 'Start gate', 'Otto Lockgate']],
  ['elodie', ['Élodie Quay']],
  ['OT ware', ['Ot Ware', 'Otto Warehouse']],
  ['  ware otto ', ['Otto Warehouse']],
  ['sting', []],
])('%j finds %j, the best first', (typed, expected) => expect(names(typed)).toEqual(expected));

test('nothing typed finds everything, as it stood', () => {
  expect(found(entries, ' ')).toEqual(entries);
});

test('each entry is found by its whole name, first, whatever else there is', () => {
  const word = fc.constantFrom('otto', 'gate', 'start', 'a', 'lock', 'quay', 'do', 'of', 'öt');
  const entry = fc.record({
    group: fc.constantFrom(
      ...(['actions', 'students', 'drills', 'builtInDrills', 'greens'] as const),
    ),
    name: fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' ')),
    href: fc.uuid(),
  });
  fc.assert(
    fc.property(fc.array(entry, { minLength: 1, maxLength: 20 }), fc.nat(), (all, at) => {
      const one = all[at % all.length]!;
      const told = found(all, one.name);
      const plain = (text: string) => text.replaceAll('ö', 'o');
      // Counted without the package: whatever has each of its words, and nothing else.
      const has = all.filter(({ name }) =>
        plain(one.name)
          .split(' ')
          .every((typed) => plain(name).includes(typed)),
      );
      expect(new Set(told)).toEqual(new Set(has));
      expect(told).toHaveLength(has.length);
      expect(plain(told[0]!.name)).toBe(plain(one.name));
    }),
    { numRuns: 200 },
  );
});
