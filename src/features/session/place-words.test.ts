import { t } from 'tests/english';
import { libraryDrill } from '@/core/drill';
import { layoutAt, ownPlace, placeAfter, stationPlace } from '@/core/layout';
import { DEFAULT_UNITS } from '@/core/units';
import { byManner, byPlace } from './by-place';
import { ordinal, placeWords } from './place-words';

const METRIC = { ...DEFAULT_UNITS, long: 'metric' as const };
const layoutOf = (key: string) => libraryDrill(key)!.layout;

describe('where a putt is made, in words', () => {
  it.each([
    [1, '1st'],
    [2, '2nd'],
    [3, '3rd'],
    [4, '4th'],
    [11, '11th'],
    [12, '12th'],
    [22, '22nd'],
  ])('%p is %p', (count, words) => expect(ordinal(count)).toBe(words));

  it('is the distance, the spot, and how it breaks there', () => {
    const four = layoutOf('four-round');
    expect(placeWords(t, four, stationPlace(four, 0), DEFAULT_UNITS)).toBe(
      '3 ft, 1st of 4 spots, downhill',
    );
    expect(placeWords(t, four, stationPlace(four, 1), DEFAULT_UNITS)).toMatch(
      /^3 ft, 2nd of 4 spots, (the (left|right) edge|(just|0\.\d cups) (inside|outside) the (left|right) edge), (left to right|right to left)$/,
    );
    expect(placeWords(t, four, stationPlace(four, 2), METRIC)).toBe(
      '0.91 m, 3rd of 4 spots, uphill',
    );
  });

  it('is nothing where there is only one place', () => {
    const gate = layoutOf('straight-gate');
    expect(placeWords(t, gate, ownPlace(gate), DEFAULT_UNITS)).toBeNull();
  });

  it('says the second putt, and asks where from when nobody saw', () => {
    const lag = layoutOf('lag-and-farther');
    const seen = placeAfter(ownPlace(lag), { along: lag.putt.distance + 0.624, across: 0 }, 0.9);
    expect(placeWords(t, lag, seen, DEFAULT_UNITS)).toBe('5 ft, 2nd putt');
    const unseen = placeAfter(ownPlace(lag), null, 0.9);
    expect(placeWords(t, lag, unseen, DEFAULT_UNITS)).toBe('spot not set, 2nd putt');
    expect(layoutAt(lag, unseen)).toBeNull();
  });
});

describe('putts counted', () => {
  const four = layoutOf('four-round');
  const hole = four.elements.find(({ kind }) => kind === 'hole')!.id;
  const putt = (station: number, outcome: string) => ({
    outcomes: { [hole]: outcome },
    place: stationPlace(four, station),
  });

  it('by place, with what is always missed', () => {
    const rows = byPlace(
      t,
      four,
      [
        ...[0, 0, 0, 1, 1].map((station) => putt(station, 'holed')),
        ...[3, 3, 3].map((station) => putt(station, 'left')),
      ],
      DEFAULT_UNITS,
    );
    expect(rows.map(({ putts, passed, note }) => [putts, passed, note])).toEqual([
      [3, 3, 'never missed'],
      [2, 2, null],
      [3, 0, 'always missed'],
    ]);
    expect(rows[2]!.name).toContain('4th of 4 spots');
    expect(byPlace(t, four, [putt(0, 'holed')], DEFAULT_UNITS)).toEqual([]);
  });

  it('by stroke, where any was not the usual one', () => {
    const usual = putt(0, 'holed');
    expect(byManner(t, four, [usual])).toEqual([]);
    const rows = byManner(t, four, [usual, { ...putt(0, 'left'), manner: 'eyes closed' as const }]);
    expect(rows.map(({ name, putts, passed }) => [name, putts, passed])).toEqual([
      ['as usual', 1, 1],
      ['eyes closed', 1, 0],
    ]);
  });
});
