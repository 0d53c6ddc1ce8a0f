import { htmlOf } from 'tests/english';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, standing } from '@/core/layout';
import { DEFAULT_UNITS, toRadians } from '@/core/units';
import { TapeList } from './drills/tape-list';
import { stripMarks } from './session/outcome-words';
import { Strip } from './session/strip';
import { SkillTable } from './students/skill-table';

const layout = ballGateLayout(DEFAULT_PUTT, {
  distance: 0.4572,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
});

/** Cells of each row of a table, as read. */
const rowsOf = (html: string) =>
  [...html.matchAll(/<tr.*?<\/tr>/g)].map(([row]) =>
    [...row.matchAll(/<t[dh].*?<\/t[dh]>/g)].map(([cell]) => cell.replace(/<[^>]+>/g, '')),
  );

describe('the tape list', () => {
  it('tells from the ball mark where each tee goes, and what to check last', () => {
    expect(rowsOf(htmlOf(<TapeList layout={layout} units={DEFAULT_UNITS} />)).slice(1)).toEqual([
      ['ball marker', 'start', 'on the line'],
      ['left tee, A', '18 in', '32.5 mm left'],
      ['right tee, Bcheck 60 mm between the tees', '18 in', '32.5 mm right'],
    ]);
  });

  it('begins with the pin of the start line on a breaking putt, and moves the tees with it', () => {
    const breaking = ballGateLayout(
      {
        distance: 2.4384,
        greenSpeed: 3.048,
        past: 0.4572,
        slope: { grade: 0.02, falls: -Math.PI / 2 },
        tiers: [],
      },
      { distance: 0.4572, gap: 0.054, shank: 0.005, offset: 0 },
    );
    const rows = rowsOf(htmlOf(<TapeList layout={breaking} units={DEFAULT_UNITS} />));
    expect(rows[1]?.[0]).toBe('ball marker');
    expect(rows[2]).toEqual(['aim marker, beside the hole', '8 ft', '8 1/16 in right']);
    // By hand: 457.2 mm at 4.806° is 455.6 mm along and 38.3 across; a tee is 29.4 across and 2.5 along from there.
    expect(rows[3]?.slice(1)).toEqual(['18 1/16 in', '9 mm right']);
    expect(rows[4]?.slice(1)).toEqual(['17 13/16 in', '67.5 mm right']);
  });

  it('speaks inches to a coach who does', () => {
    const html = htmlOf(
      <TapeList layout={layout} units={{ ...DEFAULT_UNITS, long: 'metric', short: 'imperial' }} />,
    );
    expect(rowsOf(html)[2]).toEqual(['left tee, A', '45.7 cm', '1 1/4 in left']);
  });
});

describe('the score table', () => {
  const around = (middle: number, by: number) => ({
    middle: toRadians(middle),
    low: toRadians(middle - by),
    high: toRadians(middle + by),
  });
  const score = { bias: around(0.3, 0.2), spread: around(0.8, 0.1), window: around(1.1, 0.15) };

  it.each([
    ['right', '0.3° push 0.1° to 0.5° push'],
    ['left', '0.3° pull 0.1° to 0.5° pull'],
  ] as const)('gives every number with its interval, in the words of a %s-hander', (hand, bias) => {
    const html = htmlOf(
      <SkillTable skill="start" hand={hand} rows={[{ name: 'Now', putts: 40, score }]} />,
    );
    expect(rowsOf(html)[1]).toEqual([
      'Now',
      '40',
      '±1.10° 0.95° to 1.25°',
      bias,
      '0.80° 0.70° to 0.90°',
    ]);
  });
});

describe('the strip of putts', () => {
  it('tells sides by shape and by word', () => {
    const putts = standing(layout).flatMap((element) =>
      element.outcomes().map(({ id }) => ({ [element.id]: id })),
    );
    const html = htmlOf(<Strip marks={stripMarks(layout, putts)} />);
    expect(
      html
        .replace(/<[^>]+>/g, ' ')
        .split(/\s+/)
        .filter(Boolean),
    ).toEqual(['Through', '●', 'Left', '◀', 'Right', '▶']);
  });
});
