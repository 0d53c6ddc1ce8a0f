import { t } from 'tests/english';
import { libraryDrill } from '@/core/drill';
import {
  fitted,
  layoutAt,
  loggedElements,
  ownPlace,
  standing,
  stationPlace,
  type Outcomes,
} from '@/core/layout';
import { STANDARD_FITTING } from '@/core/people';
import { DEFAULT_UNITS } from '@/core/units';
import { fileName } from '../shared/file-name';
import { bySides } from './keys';
import { asksRead, leftWords, readAndTrue } from './last-read';
import { placeWords } from './place-words';
import { otherOutcomes, outcomeWords, passWord, stripMarks } from './outcome-words';

const METRIC = { ...DEFAULT_UNITS, long: 'metric' as const };
const layoutOf = (key: string) => libraryDrill(key)!.layout;
const three = layoutOf('three-in-one');
const happened = (ball: string, putter: string, zone: string): Outcomes => ({
  putterGate1: putter,
  ballGate2: ball,
  paceZone3: zone,
});

describe('what is logged', () => {
  it('has its large keys at the element that tests the start line, wherever it stands', () => {
    const { primary, others } = loggedElements(three);
    expect(primary!.kind).toBe('ballGate');
    expect(others.map(({ kind }) => kind)).toEqual(['putterGate', 'paceZone']);
    expect(loggedElements(layoutOf('just-past')).primary!.kind).toBe('paceZone');
  });

  it('is told element by element, in the player’s hand', () => {
    const putts = [
      happened('clear', 'clear', 'in'),
      happened('left', 'left', 'in'),
      happened('right', 'clear', 'long'),
    ];
    expect(outcomeWords(t, three, putts)).toEqual([
      '1 hit the left tee, 1 hit the right',
      '2 through, 1 heel',
      '2 in the zone, 1 long',
    ]);
    const lefty = fitted(three, { ...STANDARD_FITTING, hand: 'left' });
    expect(outcomeWords(t, lefty, putts)[1]).toBe('2 through, 1 toe');
    // The strip shows the whole putt: through the ball gate and past the zone is a miss, and nothing seen is no putt.
    const marks = stripMarks(three, [...putts, happened('clear', 'clear', 'long'), {}]);
    expect(marks.map(({ passes, side }) => [passes, side])).toEqual([
      [true, 'middle'],
      [false, 'left'],
      [false, 'right'],
      [false, 'middle'],
    ]);
    expect(marks[3]!.label.split('; ')).toHaveLength(3);
    // A read with no result touched is not a miss.
    const read = stripMarks(layoutOf('read-first'), [{ readFirst1: 'straight' }]);
    expect(read).toEqual([]);
  });

  it('does not say twice how many passed, where that is the first thing that is told', () => {
    const round = layoutOf('four-round');
    const hole = round.elements.find(({ kind }) => kind === 'hole')!.id;
    const putts = ['holed', 'holed', 'short'].map((one): Outcomes => ({ [hole]: one }));
    expect(otherOutcomes(t, round, putts, 2)).toBe(', 1 short');
    expect(otherOutcomes(t, round, putts.slice(0, 2), 2)).toBe('');
    expect(otherOutcomes(t, three, [happened('clear', 'clear', 'in')], 1)).toBe(
      ', 0 hit the left tee, 0 hit the right; 1 through; 1 in the zone',
    );
  });

  it.each([
    ['straight-gate', 'through'],
    ['box-gate', 'through'],
    ['three-in-one', 'passed'],
    ['four-round', 'holed'],
    ['just-past', 'passed'],
  ])('calls a good putt of %s %s', (key, word) => expect(passWord(layoutOf(key))).toBe(word));
});

describe('the name of a file', () => {
  it.each([
    ['Three in one, Oona Brandt', 'three-in-one-oona-brandt.pdf'],
    ['  Straße / Moat: "x"  ', 'strae-moat-x.pdf'],
    ['???', 'dirigo.pdf'],
  ])('%p', (words, name) => expect(fileName(words, 'pdf')).toBe(name));
});

describe('a read that is asked for', () => {
  const { layout } = libraryDrill('read-first')!;
  const { id } = layout.elements.find(({ kind }) => kind === 'readFirst')!;
  const place = stationPlace(layout, 0);

  it('is told beside the true one, after the putt', () => {
    expect(readAndTrue(t, layout, { points: {}, outcomes: { [id]: 'right 0.5' }, place })).toBe(
      'Read: edge right. True break: 1.4 cups outside the right edge, right to left.',
    );
    expect(readAndTrue(t, layout, { points: {}, outcomes: { [id]: 'right 2' }, place })).toMatch(
      /^Read: 1½ cups right\. True break: 1\.4 cups/,
    );
    expect(readAndTrue(t, layout, { points: {}, outcomes: {}, place })).toBeNull();
    const distance = layoutAt(layout, place)!.putt.distance;
    const points = { [id]: { along: distance, across: 0.16 } };
    // 160 mm beside the middle of a hole of 108 mm: 1.48 holes, one of them within its edge by half.
    expect(readAndTrue(t, layout, { points, outcomes: { [id]: 'right 1.5' }, place })).toMatch(
      /^Read: a cup outside the right edge, right to left\. True break: 1\.4 cups/,
    );
    const unknown = { ...place, spot: null };
    expect(
      readAndTrue(t, layout, { points: {}, outcomes: { [id]: 'right 2' }, place: unknown }),
    ).toBeNull();
  });

  it('is followed by how far from the hole the ball lies, from wherever it was putted', () => {
    const zoned = libraryDrill('just-past')!;
    const zone = standing(zoned.layout).find(({ pointing }) => pointing?.on === 'green')!;
    const { distance } = zoned.layout.putt;
    const putt = (past: number, across: number) => ({
      outcomes: { [zone.id]: 'in' },
      points: { [zone.id]: { along: distance + past, across } },
      place: ownPlace(zoned.layout),
    });
    // 3, 4, 5.
    expect(leftWords(t, zoned.layout, putt(0.3, 0.4), METRIC)).toBe(
      'Stopped 50 cm from the hole, past it',
    );
    expect(leftWords(t, zoned.layout, putt(-0.3, 0.4), METRIC)).toBe(
      'Stopped 50 cm from the hole, short of it',
    );
    expect(leftWords(t, zoned.layout, { ...putt(0, 0), points: {} }, METRIC)).toBeNull();
  });

  it('is told by nothing on the screen before', () => {
    expect(asksRead(layout)).toBe(true);
    expect(asksRead(libraryDrill('straight-gate')!.layout)).toBe(false);
    expect(placeWords(t, layout, place, DEFAULT_UNITS, true)).toBe('8 ft, 1st of 4 spots');
    expect(placeWords(t, layout, place, DEFAULT_UNITS)).toMatch(/1\.4 cups outside the right edge/);
  });

  it('has keys to either side, from the hole outwards, none of which looks right', () => {
    const outcomes = standing(layout)
      .find((element) => element.id === id)!
      .outcomes();
    const labels = bySides(outcomes).map(({ label }) => label);
    expect(labels.slice(0, 5)).toEqual([
      'Straight',
      'Inside left',
      'Edge left',
      'Inside right',
      'Edge right',
    ]);
    expect(labels).toHaveLength(outcomes.length);
  });
});
