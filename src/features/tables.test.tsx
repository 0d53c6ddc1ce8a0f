import { renderToStaticMarkup } from 'react-dom/server';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, standing } from '@/core/layout';
import { DEFAULT_UNITS, toRadians } from '@/core/units';
import { TapeList } from './drills/tape-list';
import { Strip } from './session/strip';
import { ScoreTable } from './students/score-table';

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
    expect(
      rowsOf(renderToStaticMarkup(<TapeList layout={layout} units={DEFAULT_UNITS} />)).slice(1),
    ).toEqual([
      ['ball mark', 'start', 'on the line'],
      ['left tee, A', '18 in', '32.5 mm left'],
      ['right tee, Bcheck 60 mm between the tees', '18 in', '32.5 mm right'],
    ]);
  });

  it('speaks inches to a coach who does', () => {
    const html = renderToStaticMarkup(
      <TapeList layout={layout} units={{ long: 'metric', short: 'imperial' }} />,
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
    const html = renderToStaticMarkup(
      <ScoreTable hand={hand} rows={[{ name: 'Now', putts: 40, score }]} />,
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
    const outcomes = standing(layout).flatMap((element) => element.outcomes());
    const html = renderToStaticMarkup(<Strip outcomes={outcomes} />);
    expect(
      html
        .replace(/<[^>]+>/g, ' ')
        .split(/\s+/)
        .filter(Boolean),
    ).toEqual(['Clear', '●', 'Left', '◀', 'Right', '▶']);
  });
});
