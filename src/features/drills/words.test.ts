import { t } from 'tests/english';
import { DEFAULT_PUTT } from '@/core/green';
import { LIBRARY, libraryDrill } from '@/core/drill';
import {
  ballGateLayout,
  layoutCautions,
  layoutChecklist,
  layoutKit,
  onRung,
  rungStrictness,
  tapeList,
} from '@/core/layout';
import { DEFAULT_UNITS, roughLength } from '@/core/units';
import { drillWords } from './drill-words';
import { greenWords, groundWords, readWords } from './ground-words';
import { rungWords, strictnessOfRung } from './rung-words';
import { alongWords, asideWords, checkLength } from './tape-list';

const gate = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });
const metric = { ...DEFAULT_UNITS, long: 'metric' as const };

describe('what stands on the green, in words', () => {
  it.each([
    ['straight-gate', 'one ball gate'],
    ['three-in-one', 'putter gate, ball gate and pace zone'],
    ['lane-with-gates', 'box gate and 2 ball gates'],
    ['gate-and-midpoint', '2 ball gates'],
    ['straight-gate', 'one ball gate'],
    ['lag-and-farther', 'one hole'],
  ])('%s: %s', (key, words) => expect(drillWords(libraryDrill(key)!.layout)).toBe(words));

  it('is nothing but the ball where nothing else is', () => {
    expect(drillWords({ ...gate, elements: gate.elements.slice(0, 1) })).toBe('just the ball');
  });
});

describe('the green, in words', () => {
  const at = '2026-11-21T09:20:00.000Z';
  const read = { greenId: 'g', green: 'Bollard green', spotId: 's', spot: 'Crane side', at };

  it.each([
    [{}, '10 ft, flat'],
    [{ slope: { grade: 0.018, falls: -Math.PI / 2 } }, '10 ft, falls 1.8 % left'],
    [{ tiers: [{ from: 1, slope: { grade: 0.02, falls: 0 } }] }, '10 ft, 2 different slopes'],
  ])('%p', (change, words) =>
    expect(groundWords({ ...gate, putt: { ...gate.putt, ...change } }, DEFAULT_UNITS)).toBe(words),
  );

  it('names the reading it comes from', () => {
    expect(readWords(gate)).toBeNull();
    expect(greenWords(gate, DEFAULT_UNITS)).toBe('Green 10 ft, flat');
    expect(greenWords({ ...gate, read }, DEFAULT_UNITS)).toBe(
      'Bollard green, Crane side, measured 21 Nov: 10 ft, flat',
    );
    expect(readWords({ ...gate, read })).toBe('Bollard green, Crane side, measured 21 Nov');
    const sloped = { ...gate, putt: { ...gate.putt, slope: { grade: 0.02, falls: Math.PI / 2 } } };
    expect(
      greenWords({ ...sloped, read: { ...read, spotId: null, spot: '' } }, DEFAULT_UNITS),
    ).toBe(
      'Bollard green, speed measured 21 Nov: 10 ft; slope as designed, not measured: falls 2 % right',
    );
    expect(readWords({ ...gate, read: { ...read, spotId: null, spot: '' } })).toBe(
      'Bollard green, speed measured 21 Nov',
    );
  });
});

describe('a rung in words', () => {
  it.each([
    ['straight-gate', 0, 'gap 67 mm', '±1.52°'],
    ['straight-gate', 5, 'gap 45 mm', '±0.15°'],
    ['putter-gate-level', 5, 'clearance 2 mm', '±2.0 mm'],
    ['just-past', 0, 'depth 35 7/16 in', '35 in'],
  ] as const)('%s, rung %d: %s', (key, index, words, lets) => {
    const { layout, ladder } = libraryDrill(key)!;
    const rung = ladder[index]!;
    expect(rungWords(rung, DEFAULT_UNITS)).toBe(words);
    const strictness = rungStrictness(onRung(layout, rung), rung);
    expect(strictnessOfRung(t, strictness, DEFAULT_UNITS)).toBe(lets);
  });

  it('tells a longer putt by its length, and what the hole takes of it', () => {
    const { layout, ladder } = libraryDrill('chalk-forty')!;
    const rung = ladder[0]!;
    // Half of ten feet, to the 5 cm: 1.5 m.
    expect(rungWords(rung, metric)).toBe('1.5 m putt');
    expect(rungStrictness(onRung(layout, rung), rung).quantity).toBe('start');
  });
});

describe('the tape list in words', () => {
  it('says behind, level and on the line', () => {
    const rows = tapeList(libraryDrill('box-gate')!.layout);
    expect(rows.map((row) => alongWords(row, DEFAULT_UNITS))).toEqual([
      'start',
      '3 in behind',
      '3 in behind',
      '3 in',
      '3 in',
    ]);
    expect(asideWords(rows[0]!, DEFAULT_UNITS)).toBe('on the line');
    expect(asideWords(rows[1]!, DEFAULT_UNITS)).toBe('66.5 mm left');
    expect(alongWords(rows[1]!, metric)).toBe('7.6 cm behind');
  });

  it('measures stations from the hole and the line, in one system', () => {
    const rows = tapeList(libraryDrill('four-round')!.layout).filter(({ what }) => what === 'spot');
    const told = rows.map((row) => [
      alongWords(row, DEFAULT_UNITS),
      asideWords(row, DEFAULT_UNITS),
    ]);
    const { distance } = libraryDrill('four-round')!.layout.putt;
    const way = roughLength(distance, DEFAULT_UNITS);
    expect(told).toEqual([
      ['level with the hole', `${way} left`],
      ['level with the hole', `${way} right`],
      [`${way} past the hole`, 'on the line'],
    ]);
  });

  it('names both skewers of a string, and how long it is between them', () => {
    const rows = tapeList(libraryDrill('string-line')!.layout);
    const [near, far] = ['near skewer', 'far skewer'].map((name) =>
      rows.find((row) => row.name === name)!,
    );
    // From a foot behind the ball at 18 ft to a foot past the hole at 3 ft.
    expect(alongWords(near!, DEFAULT_UNITS)).toBe('16 ft behind');
    expect(alongWords(far!, DEFAULT_UNITS)).toBe('4 ft');
    expect(far!.checks.map(({ metres }) => checkLength(metres, DEFAULT_UNITS))).toEqual(['20 ft']);
  });
});

describe('every built-in drill', () => {
  it.each(LIBRARY.map(({ key, layout }) => [key, layout] as const))(
    'asks for kit, and warns wherever tees, rods or strings stand: %s',
    (_key, layout) => {
      const kit = layoutKit(layout);
      expect(new Set(kit.map(({ item }) => item)).size).toBe(kit.length);
      const cautions = layoutCautions(layout).join(' ');
      const needs = (item: string) => kit.some((one) => one.item === item);
      if (needs('tee')) expect(cautions).toMatch(/greenkeeper/);
      if (needs('string')) expect(cautions).toMatch(/trips? people/);
      if (needs('cushion')) expect(cautions).toMatch(/not for people who fall/);
      expect(new Set(layoutChecklist(layout)).size).toBe(layoutChecklist(layout).length);
    },
  );
});
