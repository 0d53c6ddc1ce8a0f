import { t } from 'tests/english';
import { svgString } from './svg-string';
import { TrendDrawing } from './trend-drawing';

const points = [0, 1, 2, 3].map((week) => ({
  at: new Date(Date.UTC(2026, 2, 1 + 7 * week)),
  low: 1 - 0.1 * week,
  middle: 1.5 - 0.2 * week,
  high: 2.5 - 0.3 * week,
  note: '',
}));
const drawn = (more: Partial<Parameters<typeof TrendDrawing>[0]> = {}) =>
  svgString(<TrendDrawing t={t} points={points} unit="°" description="Window & more" {...more} />);
const numbers = (svg: string, tag: string): number[][] =>
  new RegExp(`<${tag} points="([^"]*)"`)
    .exec(svg)![1]!
    .split(' ')
    .map((pair) => pair.split(',').map(Number));

describe('a trend as a file', () => {
  it('stands by itself: its name, its unit, and no style of a page', () => {
    const svg = drawn({ level: { value: 1.17, label: 'the hole' } });
    expect(svg).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(svg).toContain('Window &amp; more');
    expect(svg).toContain('the hole: 1.17°');
    expect(svg).toMatch(/>\d(\.\d)?°</);
    expect(svg).not.toMatch(/class|var\(|NaN/);
  });

  it('has every session on its line, weeks apart alike, and within its band', () => {
    const line = numbers(drawn(), 'polyline');
    const band = numbers(drawn(), 'polygon');
    const steps = line.slice(1).map(([x], i) => x! - line[i]![0]!);
    for (const step of steps) expect(step).toBeCloseTo(steps[0]!, 0);
    // Ordinates run downwards, and in proportion to what they stand for.
    const drops = line.slice(1).map(([, y], i) => y! - line[i]![1]!);
    for (const drop of drops) expect(drop).toBeCloseTo(drops[0]!, 0);
    expect(drops[0]).toBeGreaterThan(0);
    line.forEach(([x, y], i) => {
      const [low, high] = [band[i]!, band[band.length - 1 - i]!];
      expect([low[0], high[0]]).toEqual([x, x]);
      expect(low[1]).toBeGreaterThan(y!);
      expect(high[1]).toBeLessThan(y!);
    });
  });

  it('keeps inside its frame, one session alone in the middle, from nothing or from where the numbers are', () => {
    const alone = numbers(drawn({ points: points.slice(0, 1) }), 'polyline');
    expect(alone[0]![0]).toBeGreaterThan(400);
    expect(alone[0]![0]).toBeLessThan(550);
    const high = points.map((one) => ({ ...one, low: 98, middle: 100, high: 102 }));
    const [fromZero, fromData] = (['zero', 'data'] as const).map((from) =>
      numbers(drawn({ points: high, from }), 'polygon'),
    );
    const heightOf = (band: number[][]) =>
      Math.max(...band.map(([, y]) => y!)) - Math.min(...band.map(([, y]) => y!));
    expect(heightOf(fromData!)).toBeGreaterThan(10 * heightOf(fromZero!));
    for (const [x, y] of [...fromZero!, ...fromData!]) {
      expect(x! >= 0 && x! <= 900 && y! >= 0 && y! <= 420).toBe(true);
    }
  });

  it('marks the days on which something was changed, beside the line and within the picture', () => {
    const marks = [
      { at: points[1]!.at, label: 'claw' },
      { at: points[3]!.at, label: 'short blade' },
      { at: new Date(Date.UTC(2025, 0, 1)), label: 'long ago' },
    ];
    const svg = drawn({ marks });
    expect(svg).not.toContain('long ago');
    const at = (label: string) =>
      new RegExp(`<text x="([\\d.]+)" y="[\\d.]+" text-anchor="(start|end)"[^>]*>${label}<`).exec(
        svg,
      )!;
    // The last day is at the right: its words stand before it.
    expect(at('claw')[2]).toBe('start');
    expect(at('short blade')[2]).toBe('end');
    const [, second] = numbers(svg, 'polyline');
    expect(Number(at('claw')[1])).toBeCloseTo(second![0]! + 6, 0);
  });
});
