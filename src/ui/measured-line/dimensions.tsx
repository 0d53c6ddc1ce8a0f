import { BALL_DIAMETER } from '@/core/green';
import type { Mark } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import type { Geometry, Pixel } from './geometry';
import { round } from './shapes';

interface Size {
  width: number;
  height: number;
}

/** Thin lines from the dimension strings down to what they measure, stopping short of it. */
export function Extensions({ marks, geometry }: { marks: Mark[]; geometry: Geometry }) {
  const { pixel } = geometry;
  const stops = new Map<number, number>();
  for (const mark of marks) {
    if (!('at' in mark) || mark.type === 'midpoint' || mark.type === 'peg') continue;
    const { x, y } = pixel(mark.at);
    const clearance =
      mark.type === 'tee'
        ? 32
        : round('radius' in mark ? mark.radius : BALL_DIAMETER / 2, geometry).ry + 8;
    // Tees of a turned gate stand a little apart along the line: one extension line for both.
    const at = [...stops.keys()].find((known) => Math.abs(known - x) < 6) ?? x;
    stops.set(at, Math.min(stops.get(at) ?? Infinity, y - clearance));
  }
  return [...stops].map(([x, until]) => (
    <line key={x} x1={x} x2={x} y1={18} y2={until} stroke="var(--rule)" strokeWidth={1} />
  ));
}

/** The two ragged lines where a stretch is left out. */
export function Cut({ geometry, size }: { geometry: Geometry; size: Size }) {
  const { cut, pixel, lie } = geometry;
  if (!cut) return null;
  const a = pixel({ along: cut.from, across: 0 });
  const b = pixel({ along: cut.to, across: 0 });
  const ragged = (at: number, breadth: number) =>
    Array.from({ length: Math.ceil(breadth / 14) + 1 }, (_, i) => {
      const aside = at + (i % 2 ? 4 : -4);
      const on = start + Math.min(i * 14, breadth);
      return lie === 'along' ? `${aside},${on}` : `${on},${aside}`;
    }).join(' ');
  /* Clear of the dimension strings, and along the screen of the title block too. */
  const start = lie === 'along' ? 78 : 0;
  const breadth = lie === 'along' ? size.height - start - 62 : size.width - 78;
  const low = lie === 'along' ? Math.min(a.x, b.x) : Math.min(a.y, b.y);
  const high = lie === 'along' ? Math.max(a.x, b.x) : Math.max(a.y, b.y);
  return (
    <g>
      <rect
        x={lie === 'along' ? low : 0}
        y={lie === 'along' ? start : low}
        width={lie === 'along' ? high - low : breadth}
        height={lie === 'along' ? breadth : high - low}
        fill="var(--paper)"
      />
      {[low, high].map((at) => (
        <polyline
          key={at}
          points={ragged(at, breadth)}
          fill="none"
          stroke="var(--rule)"
          strokeWidth={1.2}
        />
      ))}
    </g>
  );
}

const ROW = 29;
/** A drawing narrower than this is a phone's, px. */
export const NARROW = 600;

/** A dimension string: its length between two strokes, with the number in it. */
export function Dimension({
  mark,
  units,
  geometry,
  size,
  above = false,
}: {
  mark: Extract<Mark, { type: 'dimension' }>;
  units: UnitPreferences;
  geometry: Geometry;
  size: { width: number };
  /** A number too wide for its stretch stands above the string rather than below it. */
  above?: boolean;
}) {
  const { pixel, lie } = geometry;
  const from = pixel({ along: mark.from, across: 0 });
  const to = pixel({ along: mark.to, across: 0 });
  const text = showLength(mark.metres, mark.kind, units);
  const aside = lie === 'along' ? 26 + mark.row * ROW : size.width - 40;
  const ends = lie === 'along' ? [from.x, to.x] : [from.y, to.y];
  const middle = (ends[0]! + ends[1]!) / 2;
  const width = text.length * 7.6 + 12;
  const place = (at: number): Pixel =>
    lie === 'along' ? { x: at, y: aside } : { x: aside, y: at };
  const [a, b, centre] = [place(ends[0]!), place(ends[1]!), place(middle)];
  const stretch = Math.abs(ends[1]! - ends[0]!);
  const tight = lie === 'along' && stretch < width + 16;
  // On a narrow drawing numbers far wider than their stretch would stand in each other; the tape list has them too.
  const untold = tight && size.width < NARROW && stretch < 0.8 * width;
  return (
    <g>
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--ink)" strokeWidth={1} />
      {[a, b].map(({ x, y }, index) => (
        <path key={index} d={`M${x - 4.5} ${y + 4.5}l9 -9`} stroke="var(--ink)" strokeWidth={1.7} />
      ))}
      {!tight && (
        <>
          <rect
            x={centre.x - width / 2}
            y={centre.y - 11}
            width={width}
            height={22}
            fill="var(--sheet)"
          />
          <text
            x={centre.x}
            y={centre.y + 5}
            textAnchor="middle"
            fill="var(--ink)"
            fontSize={15}
            fontWeight={mark.row === 0 ? 720 : 620}
          >
            {text}
          </text>
        </>
      )}
      {tight && !untold && (
        <text
          x={centre.x}
          y={aside + (above ? -8 : 17)}
          textAnchor="middle"
          fill="var(--ink)"
          fontSize={14}
          fontWeight={620}
        >
          {text}
        </text>
      )}
    </g>
  );
}
