import type { ReactNode } from 'react';
import { BALL_DIAMETER } from '@/core/green';
import type { Mark } from '@/core/layout';
import { formatLength, showDegrees, type UnitPreferences } from '@/core/units';
import type { Geometry, Lie, Pixel } from './geometry';

interface MarkShapeProps {
  mark: Mark;
  units: UnitPreferences;
  geometry: Geometry;
  /** Tees that a touch target stands for. */
  hidden: Set<string>;
}

/** One mark of a layout, inked. */
export function MarkShape({ mark, units, geometry, hidden }: MarkShapeProps) {
  const { pixel, lie } = geometry;
  switch (mark.type) {
    case 'wedge':
      return (
        <polygon
          points={wedgePoints(mark, geometry)}
          className={mark.role === 'gate' ? 'fill-line' : 'fill-hole'}
          fillOpacity={mark.role === 'gate' ? 0.2 : 0.17}
        />
      );
    case 'line': {
      const from = pixel(mark.from);
      const to = pixel(mark.to);
      switch (mark.role) {
        case 'start':
          return (
            <line
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              className="stroke-line"
              strokeWidth={2}
            />
          );
        case 'past':
          return <PastLine from={from} to={to} lie={lie} />;
        case 'tier':
          return <TierEdge from={from} to={to} lie={lie} label={mark.label} />;
      }
    }
    case 'hole': {
      const { rx, ry } = round(mark.radius, geometry);
      const at = pixel(mark.at);
      const label: Pixel =
        lie === 'along' ? { x: at.x, y: at.y + ry + 19 } : { x: at.x - rx - 10, y: at.y + 5 };
      return (
        <g>
          <ellipse cx={at.x} cy={at.y} rx={rx} ry={ry} className="fill-ink" />
          <Label at={label} anchor={lie === 'along' ? 'middle' : 'end'}>
            hole
          </Label>
        </g>
      );
    }
    case 'ball': {
      const { rx, ry } = round(BALL_DIAMETER / 2, geometry);
      const at = pixel(mark.at);
      const label: Pixel =
        lie === 'along' ? { x: at.x - rx - 9, y: at.y + 5 } : { x: at.x, y: at.y + ry + 18 };
      return (
        <g>
          <ellipse
            cx={at.x}
            cy={at.y}
            rx={rx}
            ry={ry}
            className="fill-sheet stroke-ink"
            strokeWidth={2.2}
          />
          <Label at={label} anchor={lie === 'along' ? 'end' : 'middle'}>
            ball
          </Label>
        </g>
      );
    }
    case 'tee': {
      if (hidden.has(mark.id)) return null;
      const at = pixel(mark.at);
      const out = mark.side === 'left' ? -1 : 1;
      const label: Pixel =
        lie === 'along'
          ? { x: at.x, y: at.y + (out < 0 ? -13 : 25) }
          : { x: at.x + out * 18, y: at.y + 5 };
      return (
        <g>
          <circle cx={at.x} cy={at.y} r={6.5} className="fill-line" />
          <Label
            at={label}
            anchor={lie === 'along' ? 'middle' : out < 0 ? 'end' : 'start'}
            className="fill-line"
          >
            {mark.label}
          </Label>
        </g>
      );
    }
    case 'curve':
      return (
        <polyline
          points={mark.points
            .map(pixel)
            .map(({ x, y }) => `${x},${y}`)
            .join(' ')}
          className="fill-none stroke-ink"
          strokeWidth={2.6}
          strokeLinecap="round"
        />
      );
    case 'aim': {
      const at = pixel(mark.at);
      const out = mark.beside < 0 ? -1 : 1;
      // On a narrow drawing there is no room for it; the tape list has it too.
      if (lie === 'along' && at.x < 500)
        return <circle cx={at.x} cy={at.y} r={4} className="fill-line" />;
      const label: Pixel =
        lie === 'along'
          ? { x: at.x - 10, y: at.y + (out < 0 ? -14 : 24) }
          : { x: at.x, y: at.y - 12 };
      return (
        <g>
          <circle cx={at.x} cy={at.y} r={4} className="fill-line" />
          <Label at={label} anchor={lie === 'along' ? 'end' : 'middle'} className="fill-line">
            {aimWords(mark, units, lie === 'up')}
          </Label>
        </g>
      );
    }
    case 'midpoint': {
      const { x, y } = pixel(mark.at);
      return (
        <path
          d={`M${x - 6} ${y - 6}l12 12m0 -12l-12 12`}
          className="fill-none stroke-ink"
          strokeWidth={2.2}
        >
          <title>middle of the curve</title>
        </path>
      );
    }
    case 'fall':
    case 'dimension':
      return null;
    default:
      return mark satisfies never;
  }
}

/** The aim as a coach says it: beside the hole, in cups, in degrees. */
function aimWords(
  { beside, cups, direction }: Extract<Mark, { type: 'aim' }>,
  units: UnitPreferences,
  brief: boolean,
): string {
  const side = beside < 0 ? 'left' : 'right';
  const length = formatLength(Math.abs(beside), units.long === 'imperial' ? 'in' : 'cm');
  if (brief) return `${length} ${side}`;
  return `aim ${length} ${side} · ${Math.abs(cups).toFixed(1)} cups · ${showDegrees(Math.abs(direction), 1)}`;
}

/** Arrows the way the green falls, in a corner that the putt does not cross. */
export function Fall({ falls, lie, corner }: { falls: number; lie: Lie; corner: Pixel }) {
  const turn = (falls * 180) / Math.PI + (lie === 'along' ? 0 : -90);
  return (
    <g className="fill-none stroke-ink2" strokeWidth={1.6} aria-hidden>
      {[0, 1, 2].map((place) => (
        <path
          key={place}
          d="M-13 0H13M6 -5L13 0L6 5"
          transform={`translate(${corner.x + place * 28} ${corner.y}) rotate(${turn})`}
        />
      ))}
    </g>
  );
}

function wedgePoints(mark: Extract<Mark, { type: 'wedge' }>, { pixel, cut }: Geometry): string {
  const stops = [...(cut && cut.to < mark.until ? [cut.from, cut.to] : []), mark.until];
  const side = (angle: number) =>
    stops.map((along) =>
      pixel({
        along,
        across: mark.from.across + (along - mark.from.along) * Math.tan(mark.direction + angle),
      }),
    );
  return [pixel(mark.from), ...side(-mark.left), ...side(mark.right).reverse()]
    .map(({ x, y }) => `${x},${y}`)
    .join(' ');
}

/** A round thing: true across, and along never so flat that it cannot be seen. */
export function round(
  radius: number,
  { acrossScale, across, lie }: Geometry,
): { rx: number; ry: number } {
  const wide = radius * acrossScale;
  const flat = Math.max((radius * acrossScale) / across, wide * 0.36, 4);
  return lie === 'along' ? { rx: flat, ry: wide } : { rx: wide, ry: flat };
}

/** Where the green begins to lie otherwise; the grade stands on the far side of it. */
function TierEdge({ from, to, lie, label }: { from: Pixel; to: Pixel; lie: Lie; label?: string }) {
  const at: Pixel = lie === 'along' ? { x: from.x + 8, y: 92 } : { x: 62, y: from.y - 9 };
  return (
    <g>
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        className="stroke-ink2"
        strokeWidth={1.6}
        strokeDasharray="2 5"
      />
      <Label at={at} anchor="start" className="fill-ink2 font-normal">
        tier {label}
      </Label>
    </g>
  );
}

function PastLine({ from, to, lie }: { from: Pixel; to: Pixel; lie: Lie }) {
  return (
    <g>
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} className="stroke-ink" strokeWidth={2} />
      <Label
        at={lie === 'along' ? { x: from.x, y: from.y - 9 } : { x: from.x - 10, y: from.y + 5 }}
        anchor={lie === 'along' ? 'middle' : 'end'}
        className="fill-ink2 font-normal"
      >
        pace
      </Label>
    </g>
  );
}

function Label({
  at,
  anchor = 'middle',
  className = 'fill-ink',
  children,
}: {
  at: Pixel;
  anchor?: 'start' | 'middle' | 'end';
  className?: string;
  children: ReactNode;
}) {
  return (
    <text x={at.x} y={at.y} textAnchor={anchor} className={`text-[14px] font-[640] ${className}`}>
      {children}
    </text>
  );
}
