import type { ReactNode } from 'react';
import { BALL_DIAMETER } from '@/core/green';
import type { Mark } from '@/core/layout';
import type { Geometry, Lie, Pixel } from './geometry';

interface MarkShapeProps {
  mark: Mark;
  geometry: Geometry;
  /** Tees that a touch target stands for. */
  hidden: Set<string>;
}

/** One mark of a layout, inked. */
export function MarkShape({ mark, geometry, hidden }: MarkShapeProps) {
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
      return mark.role === 'start' ? (
        <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} className="stroke-line" strokeWidth={2} />
      ) : (
        <PastLine from={from} to={to} lie={lie} />
      );
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
    case 'dimension':
      return null;
    default:
      return mark satisfies never;
  }
}

function wedgePoints(mark: Extract<Mark, { type: 'wedge' }>, { pixel, cut }: Geometry): string {
  const stops = [...(cut && cut.to < mark.until ? [cut.from, cut.to] : []), mark.until];
  const side = (angle: number) =>
    stops.map((along) =>
      pixel({ along, across: mark.from.across + (along - mark.from.along) * Math.tan(angle) }),
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
