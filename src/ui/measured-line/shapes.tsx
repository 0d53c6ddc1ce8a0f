import type { Translate } from '@/words/translate';
import type { ReactNode } from 'react';
import { BALL_DIAMETER, edgeWords } from '@/core/green';
import type { Mark, Spot } from '@/core/layout';
import { formatLength, showDegrees, type UnitPreferences } from '@/core/units';
import type { Geometry, Lie, Pixel } from './geometry';

interface MarkShapeProps {
  mark: Mark;
  units: UnitPreferences;
  /** Says what its parts are; null where nothing is written. */
  t: Translate | null;
  geometry: Geometry;
  /** Tees that a touch target stands for. */
  hidden: Set<string>;
}

/** How a curve is drawn, by what it is. */
const CURVES = {
  roll: { stroke: 'var(--ink)', strokeWidth: 2.6, strokeLinecap: 'round' },
  zone: { stroke: 'var(--ink2)', strokeWidth: 1.4, strokeDasharray: '3 5' },
  other: { stroke: 'var(--hole)', strokeWidth: 3, strokeDasharray: '12 7' },
} as const;

/** One mark of a layout, inked. */
export function MarkShape({ mark, units, t, geometry, hidden }: MarkShapeProps) {
  const { pixel, lie } = geometry;
  switch (mark.type) {
    case 'wedge':
      return (
        <polygon
          points={wedgePoints(mark, geometry)}
          fill={mark.role === 'gate' ? 'var(--line)' : 'var(--hole)'}
          fillOpacity={mark.role === 'gate' ? 0.2 : 0.17}
        />
      );
    case 'line': {
      const from = pixel(mark.from);
      const to = pixel(mark.to);
      switch (mark.role) {
        case 'start':
          return (
            <polyline
              points={straight(mark, geometry)}
              fill="none"
              stroke="var(--line)"
              strokeWidth={2}
            />
          );
        case 'past':
          return <PastLine from={from} to={to} lie={lie} label={t?.('ui.shapes.pace')} />;
        case 'tier':
          return (
            <TierEdge
              from={from}
              to={to}
              lie={lie}
              label={t?.('ui.shapes.tier', { label: mark.label ?? '' })}
            />
          );
      }
    }
    case 'hole': {
      const { rx, ry } = round(mark.radius, geometry);
      const at = pixel(mark.at);
      const label: Pixel =
        lie === 'along' ? { x: at.x, y: at.y + ry + 19 } : { x: at.x - rx - 10, y: at.y + 5 };
      return (
        <g>
          <ellipse cx={at.x} cy={at.y} rx={rx} ry={ry} fill="var(--ink)" />
          <Label at={label} anchor={lie === 'along' ? 'middle' : 'end'}>
            {t?.('ui.shapes.hole')}
          </Label>
        </g>
      );
    }
    case 'ball': {
      const { rx, ry } = round(BALL_DIAMETER / 2, geometry);
      const at = pixel(mark.at);
      // Above what lies on the line behind the ball, a string say.
      const label: Pixel =
        lie === 'along' ? { x: at.x - rx - 9, y: at.y - 6 } : { x: at.x, y: at.y + ry + 18 };
      return (
        <g>
          <ellipse
            cx={at.x}
            cy={at.y}
            rx={rx}
            ry={ry}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={2.2}
          />
          <Label at={label} anchor={lie === 'along' ? 'end' : 'middle'}>
            {t?.('ui.shapes.ball')}
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
          ? { x: at.x, y: at.y + (out < 0 ? -16 : 28) }
          : { x: at.x + out * 18, y: at.y + 5 };
      return (
        <g>
          <circle cx={at.x} cy={at.y} r={6.5} fill="var(--line)" />
          <Label
            at={label}
            anchor={lie === 'along' ? 'middle' : out < 0 ? 'end' : 'start'}
            fill="var(--line)"
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
          fill={mark.role === 'zone' ? 'var(--ink)' : 'none'}
          fillOpacity={0.07}
          {...CURVES[mark.role]}
        />
      );
    case 'aim': {
      const at = pixel(mark.at);
      const out = mark.beside < 0 ? -1 : 1;
      // On a narrow drawing there is no room for it; the tape list has it too.
      if (lie === 'along' && at.x < 500)
        return <circle cx={at.x} cy={at.y} r={4} fill="var(--line)" />;
      const label: Pixel =
        lie === 'along'
          ? { x: at.x - 10, y: at.y + (out < 0 ? -14 : 24) }
          : { x: at.x, y: at.y - 12 };
      const words = t ? aimWords(t, mark, units, lie === 'up') : '';
      const width = words.length * LETTER;
      return (
        <g>
          {/* It may be written across the cut, whose ragged lines then stop short of it. */}
          {lie === 'along' && (
            <rect
              x={label.x - width}
              y={label.y - 14}
              width={width + 3}
              height={19}
              fill="var(--sheet)"
            />
          )}
          <circle cx={at.x} cy={at.y} r={4} fill="var(--line)" />
          <Label at={label} anchor={lie === 'along' ? 'end' : 'middle'} fill="var(--line)">
            {words}
          </Label>
        </g>
      );
    }
    case 'midpoint': {
      const { x, y } = pixel(mark.at);
      return (
        <path
          d={`M${x - 6} ${y - 6}l12 12m0 -12l-12 12`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.2}
        >
          <title>{t?.('ui.shapes.middleOfTheCurve')}</title>
        </path>
      );
    }
    case 'tally':
      return <Tally mark={mark} at={pixel(mark.at)} lie={lie} />;
    case 'peg': {
      const { x, y } = pixel(mark.at);
      return <circle cx={x} cy={y} r={4.5} fill="var(--ink)" />;
    }
    case 'coin': {
      const at = pixel(mark.at);
      const { rx, ry } = round(mark.radius, geometry);
      const label: Pixel =
        lie === 'along' ? { x: at.x, y: at.y + ry + 18 } : { x: at.x + rx + 8, y: at.y + 5 };
      return (
        <g>
          <ellipse cx={at.x} cy={at.y} rx={rx} ry={ry} fill="var(--line)" />
          <Label at={label} anchor={lie === 'along' ? 'middle' : 'start'} fill="var(--line)">
            {mark.label}
          </Label>
        </g>
      );
    }
    case 'head':
      return <Head mark={mark} geometry={geometry} />;
    case 'rod': {
      const [from, to] = [pixel(mark.from), pixel(mark.to)];
      const inked = {
        rod: { strokeWidth: 4.5 },
        stop: { strokeWidth: 7 },
        chalk: { strokeWidth: 3, strokeOpacity: 0.35 },
        string: { strokeWidth: 1.6, strokeDasharray: '9 4' },
      }[mark.role];
      return <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--ink)" {...inked} />;
    }
    case 'zone':
      return <Zone mark={mark} geometry={geometry} />;
    case 'fall':
    case 'dimension':
      return null;
    default:
      return mark satisfies never;
  }
}

/** What a letter of a label takes along the line, px. */
const LETTER = 6.1;

/** The aim as a coach says it: beside the hole, in cups, in degrees. */
function aimWords(
  t: Translate,
  { beside, cups, direction }: Extract<Mark, { type: 'aim' }>,
  units: UnitPreferences,
  brief: boolean,
): string {
  const side = beside < 0 ? 'left' : 'right';
  const length = formatLength(Math.abs(beside), units.long === 'imperial' ? 'in' : 'cm');
  if (brief) return `${length} ${side}`;
  return t('ui.shapes.aim', {
    length,
    side,
    cups: edgeWords(cups),
    angle: showDegrees(Math.abs(direction), 1),
  });
}

/** A count where it happened, beside the tee or on the line, on a ground of its own so that nothing runs through it. */
function Tally({
  mark: { side, passes, count },
  at,
  lie,
}: {
  mark: Extract<Mark, { type: 'tally' }>;
  at: Pixel;
  lie: Lie;
}) {
  const out = side === 'middle' ? 0 : (side === 'left' ? -1 : 1) * 54;
  const x = at.x + (lie === 'up' ? out : 0);
  const y = at.y + (lie === 'along' ? out : 0);
  const text = `${count}×`;
  const width = 12 + 10 * text.length;
  return (
    <g>
      <rect
        x={x - width / 2}
        y={y - 13}
        width={width}
        height={26}
        fill={passes ? 'var(--ink)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <text
        x={x}
        y={y + 6}
        textAnchor="middle"
        fontSize={17}
        fontWeight={720}
        fill={passes ? 'var(--sheet)' : 'var(--ink)'}
      >
        {text}
      </text>
    </g>
  );
}

/** Arrows the way the green falls, in a corner that the putt does not cross. */
export function Fall({ falls, lie, corner }: { falls: number; lie: Lie; corner: Pixel }) {
  const turn = (falls * 180) / Math.PI + (lie === 'along' ? 0 : -90);
  return (
    <g fill="none" stroke="var(--ink2)" strokeWidth={1.6} aria-hidden>
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

/** A straight line on the green: where a stretch is cut out it goes on at the other side as it would have come. */
function straight(
  { from, to }: { from: Spot; to: Spot },
  { pixel, cut }: Pick<Geometry, 'pixel' | 'cut'>,
): string {
  const at = (along: number): Spot => ({
    along,
    across:
      from.across + ((along - from.along) / (to.along - from.along)) * (to.across - from.across),
  });
  const stops = cut && cut.from > from.along && cut.to < to.along ? [cut.from, cut.to] : [];
  return [from, ...stops.map(at), to]
    .map(pixel)
    .map(({ x, y }) => `${x},${y}`)
    .join(' ');
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

/** A line across the green, and what it is. */
interface LabelledLine {
  from: Pixel;
  to: Pixel;
  lie: Lie;
  label: string | undefined;
}

/** Where the green begins to lie otherwise; the grade stands on the far side of it. */
function TierEdge({ from, to, lie, label }: LabelledLine) {
  const at: Pixel = lie === 'along' ? { x: from.x + 8, y: 92 } : { x: 62, y: from.y - 9 };
  return (
    <g>
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke="var(--ink2)"
        strokeWidth={1.6}
        strokeDasharray="2 5"
      />
      <Label at={at} anchor="start" fill="var(--ink2)" weight={400}>
        {label}
      </Label>
    </g>
  );
}

/** The putter head as it stands at the ball: its face towards the hole. */
function Head({
  mark,
  geometry: { pixel },
}: {
  mark: Extract<Mark, { type: 'head' }>;
  geometry: Geometry;
}) {
  const { along, across } = mark.at;
  const [a, b] = [
    pixel({ along: along - mark.depth, across: across - mark.length / 2 }),
    pixel({ along, across: across + mark.length / 2 }),
  ];
  return (
    <rect
      x={Math.min(a.x, b.x)}
      y={Math.min(a.y, b.y)}
      width={Math.max(3, Math.abs(b.x - a.x))}
      height={Math.max(3, Math.abs(b.y - a.y))}
      fill="var(--ink)"
      fillOpacity={0.1}
      stroke="var(--ink)"
      strokeWidth={1.4}
    />
  );
}

/** A zone is drawn no farther aside than this, px: it has no end there. */
const ZONE_ASIDE = 62;

/** Where the ball should come to rest. */
function Zone({
  mark,
  geometry: { pixel, lie, acrossScale },
}: {
  mark: Extract<Mark, { type: 'zone' }>;
  geometry: Geometry;
}) {
  const [from, to] = [pixel({ along: mark.from, across: 0 }), pixel({ along: mark.to, across: 0 })];
  const aside = Math.min(mark.half * acrossScale, ZONE_ASIDE);
  const along = lie === 'along';
  const box = along
    ? { x: from.x, y: from.y - aside, width: to.x - from.x, height: 2 * aside }
    : { x: from.x - aside, y: to.y, width: 2 * aside, height: from.y - to.y };
  const label = (
    <Label
      at={along ? { x: to.x, y: box.y - 8 } : { x: box.x - 8, y: to.y + 5 }}
      anchor={along ? 'middle' : 'end'}
      fill="var(--ink2)"
      weight={400}
    >
      {mark.label}
    </Label>
  );
  // A half circle is filled where its own curve is drawn.
  if (mark.round) return label;
  return (
    <g>
      <rect {...box} fill="var(--ink)" fillOpacity={0.07} />
      <path
        d={along ? `M${to.x} ${box.y}v${box.height}` : `M${box.x} ${to.y}h${box.width}`}
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      {label}
    </g>
  );
}

function PastLine({ from, to, lie, label }: LabelledLine) {
  return (
    <g>
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--ink)" strokeWidth={2} />
      <Label
        at={lie === 'along' ? { x: from.x, y: from.y - 9 } : { x: from.x - 10, y: from.y + 5 }}
        anchor={lie === 'along' ? 'middle' : 'end'}
        fill="var(--ink2)"
        weight={400}
      >
        {label}
      </Label>
    </g>
  );
}

function Label({
  at,
  anchor = 'middle',
  fill = 'var(--ink)',
  weight = 640,
  children,
}: {
  at: Pixel;
  anchor?: 'start' | 'middle' | 'end';
  fill?: string;
  weight?: number;
  children: ReactNode;
}) {
  return (
    <text x={at.x} y={at.y} textAnchor={anchor} fontSize={14} fontWeight={weight} fill={fill}>
      {children}
    </text>
  );
}
