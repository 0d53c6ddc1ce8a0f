'use client';

import type { ReactNode } from 'react';
import type { Mark, Side, Spot } from '@/core/layout';
import { BALL_DIAMETER } from '@/core/green';
import { showLength, type UnitPreferences } from '@/core/units';
import { releaseFocus } from '../release-focus';
import { useSize } from '../use-size';
import { fit, type Geometry, type Lie, type Pixel, type Room } from './geometry';

/** A place on the drawing that can be touched. */
export interface Target {
  id: string;
  /** Read out, and in the tooltip. */
  name: string;
  label: string;
  side: Side | 'middle';
  at: Spot;
}

export interface MeasuredLineProps {
  marks: Mark[];
  units: UnitPreferences;
  lie: Lie;
  /** Said to those who cannot see it. */
  description: string;
  /** Facts for the title block. */
  facts?: { name: string; value: string }[];
  targets?: Target[];
  /** Told which target was touched, and when. */
  onTouch?: (id: string, at: number) => void;
  /** Drawn over the line, in pixels of the drawing. */
  children?: (geometry: Geometry) => ReactNode;
}

const margins = (lie: Lie): Room['margin'] =>
  lie === 'along'
    ? { top: 86, right: 64, bottom: 66, left: 84 }
    : { top: 26, right: 96, bottom: 56, left: 64 };

/** A putt as a builder draws it: to scale along, exaggerated across, with dimension strings and both wedges. */
export function MeasuredLine(props: MeasuredLineProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  const geometry =
    size &&
    fit(props.marks, {
      ...size,
      lie: props.lie,
      margin: margins(props.lie),
      holeAtMost: props.targets ? 92 : 58,
    });
  return (
    <div ref={ref} className="relative h-full w-full overflow-hidden bg-sheet">
      {size && geometry && (
        <>
          <svg width={size.width} height={size.height} role="img" aria-label={props.description}>
            <Drawing {...props} geometry={geometry} size={size} />
            {props.children?.(geometry)}
          </svg>
          {props.targets?.map((target) => (
            <TouchTarget
              key={target.id}
              target={target}
              at={geometry.pixel(target.at)}
              onTouch={props.onTouch}
            />
          ))}
          <TitleBlock
            facts={[...(props.facts ?? []), { name: 'across', value: `×${geometry.across}` }]}
            lie={props.lie}
          />
        </>
      )}
    </div>
  );
}

interface DrawingProps extends MeasuredLineProps {
  geometry: Geometry;
  size: { width: number; height: number };
}

/** What lies under what. */
const LAYERS: Mark['type'][][] = [['wedge'], ['line'], ['hole', 'ball', 'tee']];

function Drawing({ marks, units, geometry, size, targets }: DrawingProps) {
  const touched = new Set(targets?.map(({ id }) => id));
  const dimensions = marks.filter((mark) => mark.type === 'dimension');
  const shown = geometry.lie === 'along' ? dimensions : dimensions.filter(({ row }) => row > 0);
  return (
    <g>
      {geometry.lie === 'along' && <Extensions marks={marks} geometry={geometry} />}
      {LAYERS.flatMap((layer) =>
        marks
          .filter(({ type }) => layer.includes(type))
          .map((mark, index) => (
            <MarkShape
              key={`${mark.type} ${index}`}
              mark={mark}
              geometry={geometry}
              hidden={touched}
            />
          )),
      )}
      {geometry.cut && <Cut geometry={geometry} size={size} />}
      {shown.map((mark) => (
        <Dimension
          key={`${mark.row} ${mark.from}`}
          mark={mark}
          units={units}
          geometry={geometry}
          size={size}
        />
      ))}
    </g>
  );
}

/** Thin lines from the dimension strings down to what they measure, stopping short of it. */
function Extensions({ marks, geometry }: Pick<DrawingProps, 'marks' | 'geometry'>) {
  const { pixel } = geometry;
  const stops = new Map<number, number>();
  for (const mark of marks) {
    if (!('at' in mark)) continue;
    const { x, y } = pixel(mark.at);
    const clearance =
      mark.type === 'tee'
        ? 32
        : round(mark.type === 'hole' ? mark.radius : BALL_DIAMETER / 2, geometry).ry + 8;
    stops.set(x, Math.min(stops.get(x) ?? Infinity, y - clearance));
  }
  return [...stops].map(([x, until]) => (
    <line key={x} x1={x} x2={x} y1={18} y2={until} className="stroke-rule" strokeWidth={1} />
  ));
}

interface MarkShapeProps {
  mark: Mark;
  geometry: Geometry;
  /** Tees that a touch target stands for. */
  hidden: Set<string>;
}

function MarkShape({ mark, geometry, hidden }: MarkShapeProps) {
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
function round(radius: number, { acrossScale, across, lie }: Geometry): { rx: number; ry: number } {
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

/** The two ragged lines where a stretch is left out. */
function Cut({ geometry, size }: Omit<DrawingProps, keyof MeasuredLineProps>) {
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
        className="fill-paper"
      />
      {[low, high].map((at) => (
        <polyline
          key={at}
          points={ragged(at, breadth)}
          className="fill-none stroke-rule"
          strokeWidth={1.2}
        />
      ))}
    </g>
  );
}

const ROW = 29;

function Dimension({
  mark,
  units,
  geometry,
  size,
}: {
  mark: Extract<Mark, { type: 'dimension' }>;
  units: UnitPreferences;
  geometry: Geometry;
  size: { width: number };
}) {
  const { pixel, lie } = geometry;
  const from = pixel({ along: mark.from, across: 0 });
  const to = pixel({ along: mark.to, across: 0 });
  const text = showLength(mark.to - mark.from, mark.kind, units);
  const aside = lie === 'along' ? 26 + mark.row * ROW : size.width - 40;
  const ends = lie === 'along' ? [from.x, to.x] : [from.y, to.y];
  const middle = (ends[0]! + ends[1]!) / 2;
  const width = text.length * 7.6 + 12;
  const place = (at: number): Pixel =>
    lie === 'along' ? { x: at, y: aside } : { x: aside, y: at };
  const [a, b, centre] = [place(ends[0]!), place(ends[1]!), place(middle)];
  const tight = lie === 'along' && Math.abs(ends[1]! - ends[0]!) < width + 16;
  return (
    <g>
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} className="stroke-ink" strokeWidth={1} />
      {[a, b].map(({ x, y }, index) => (
        <path
          key={index}
          d={`M${x - 4.5} ${y + 4.5}l9 -9`}
          className="stroke-ink"
          strokeWidth={1.7}
        />
      ))}
      {!tight && (
        <>
          <rect
            x={centre.x - width / 2}
            y={centre.y - 11}
            width={width}
            height={22}
            className="fill-sheet"
          />
          <text
            x={centre.x}
            y={centre.y + 5}
            textAnchor="middle"
            className={`fill-ink text-[15px] ${mark.row === 0 ? 'font-[720]' : 'font-[620]'}`}
          >
            {text}
          </text>
        </>
      )}
      {tight && (
        <text
          x={b.x + 8}
          y={aside + 17}
          textAnchor="middle"
          className="fill-ink text-[14px] font-[620]"
        >
          {text}
        </text>
      )}
    </g>
  );
}

const TARGET_TONE = {
  left: 'border-leftward bg-leftward/10',
  right: 'border-rightward bg-rightward/10',
  middle: 'border-ink bg-ink/5',
} as const;

/** A real button over the drawing, where the tee stands; 68 px so that a thumb finds it. */
function TouchTarget({
  target,
  at,
  onTouch,
}: {
  target: Target;
  at: Pixel;
  /** Told which target was touched, and when. */
  onTouch?: (id: string, at: number) => void;
}) {
  return (
    <button
      type="button"
      aria-label={target.name}
      title={target.name}
      onClick={(event) => {
        releaseFocus(event);
        onTouch?.(target.id, event.timeStamp);
      }}
      style={{ left: at.x - 34, top: at.y - 34 }}
      className={`absolute flex size-[68px] items-center justify-center rounded-full border-2 border-dashed active:scale-95 ${TARGET_TONE[target.side]}`}
    >
      <span
        className={`flex size-7 items-center justify-center rounded-full text-[15px] font-[750] ${
          target.side === 'left'
            ? 'bg-leftward text-sheet'
            : target.side === 'right'
              ? 'bg-rightward text-sheet'
              : 'text-ink'
        }`}
      >
        {target.label}
      </span>
    </button>
  );
}

function TitleBlock({ facts, lie }: { facts: { name: string; value: string }[]; lie: Lie }) {
  return (
    <dl
      className={`absolute flex border-[length:var(--stroke)] border-ink bg-sheet ${
        lie === 'along' ? 'right-4 bottom-4 max-sm:right-2 max-sm:bottom-2' : 'bottom-2 left-2'
      }`}
    >
      {facts.map(({ name, value }) => (
        <div key={name} className="border-l border-ink px-2.5 py-1 first:border-l-0 max-sm:px-1.5">
          <dt className="cap text-[12px]">{name}</dt>
          <dd className="text-[14px] num">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
