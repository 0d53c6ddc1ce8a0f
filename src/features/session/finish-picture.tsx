'use client';

import { useTranslations } from 'next-intl';
import { drawLayout, type Layout, type Mark, type Spot } from '@/core/layout';
import { formatLength, type UnitPreferences } from '@/core/units';
import { useRef } from 'react';
import { Cross } from '@/ui/cross';
import { useSize } from '@/ui/use-size';

/** A ball at rest. */
export interface Rest {
  spot: Spot;
  passes: boolean;
}

interface Reach {
  /** Short of the hole, past it and to either side, m. */
  short: number;
  past: number;
  aside: number;
}

/** How far the picture reaches: as far as putts of this length are out by, and all that is to be shown. */
export function reachOf({ putt }: Layout, marks: readonly Mark[], rests: readonly Rest[]): Reach {
  const zone = marks.find((mark) => mark.type === 'zone');
  const gone = rests.map(({ spot }) => spot.along - putt.distance);
  const short = Math.max(
    Math.min(1.8, 0.22 * putt.distance),
    zone ? 1.4 * (putt.distance - zone.from) : 0,
    0.6,
    ...gone.map((past) => 0.15 - past),
  );
  const past = Math.max(
    Math.min(2.2, 0.25 * putt.distance),
    zone ? 1.7 * (zone.to - putt.distance) : 0,
    0.9,
    ...gone.map((one) => one + 0.15),
  );
  return {
    short: Math.min(short, putt.distance),
    past,
    aside: Math.max(0.4, ...rests.map(({ spot }) => Math.abs(spot.across) + 0.1)),
  };
}

interface FinishPictureProps {
  layout: Layout;
  units: UnitPreferences;
  rests?: readonly Rest[];
  /** What was pointed at a moment ago, or guessed. */
  chosen?: Spot;
  /** It was touched in the hole. */
  holed?: boolean;
  /** Which way the ball comes: from the left, or from below; by the room there is when left out. */
  lie?: 'along' | 'up';
  onPoint?: (spot: Spot, at: number) => void;
  className?: string;
}

/**
 * The green round the hole, the same scale along and across: where putts came to rest. The ball comes from the left, or
 * from below where there is more height than width. Touched, it says where the ball stopped.
 */
export function FinishPicture({
  className = 'h-[128px] md:h-[180px]',
  ...rest
}: FinishPictureProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className={`relative w-full ${className}`}>
      <div className="absolute inset-0 overflow-hidden">
        {size && <Finish {...rest} size={size} />}
      </div>
    </div>
  );
}

/** A touch this near to the middle of the hole means the hole, px. */
const HOLE_TOUCHED = 22;

function Finish({
  layout,
  units,
  rests = [],
  chosen,
  holed = false,
  lie,
  onPoint,
  size,
}: FinishPictureProps & { size: { width: number; height: number } }) {
  const t = useTranslations();
  const marks = drawLayout(layout);
  const { short, past, aside } = reachOf(layout, marks, rests);
  const { distance } = layout.putt;
  const up = lie ? lie === 'up' : size.height > size.width * 0.8;
  const [length, breadth] = up ? [size.height, size.width] : [size.width, size.height];
  const scale = Math.min(length / (short + past), breadth / (2 * aside));
  // Where the room is narrower than the reach needs, the hole stays where the reach puts it.
  const hole = (length - scale * (short + past)) / 2 + scale * short;
  const pixel = ({ along, across }: Spot) => {
    const [on, off] = [hole + scale * (along - distance), breadth / 2 + scale * across];
    return up ? { x: off, y: length - on } : { x: on, y: off };
  };
  const spotAt = (x: number, y: number): Spot => {
    const [on, off] = up ? [length - y, x] : [x, y];
    return { along: distance + (on - hole) / scale, across: (off - breadth / 2) / scale };
  };
  const from = pixel({ along: distance - hole / scale, across: 0 });
  const centre = pixel({ along: distance, across: 0 });
  const step = tickStep(up ? 44 : 92, scale, units);
  const words = (at: number) =>
    `${formatLength(Math.abs(at), units.long === 'imperial' ? 'ft' : 'm')} ${at < 0 ? 'short' : 'past'}`;
  const ticks = [-4, -3, -2, -1, 1, 2, 3, 4, 5, 6]
    .map((count) => count * step)
    .filter((at) => {
      const place = hole + scale * at;
      return place > 34 && place < length - 34;
    });
  const svg = useRef<SVGSVGElement>(null);
  const point = (clientX: number, clientY: number, at: number) => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = [clientX - box.left, clientY - box.top];
    const inTheHole = Math.hypot(x - centre.x, y - centre.y) < HOLE_TOUCHED;
    onPoint?.(inTheHole ? { along: distance, across: 0 } : spotAt(x, y), at);
  };
  const drawn = (
    <svg
      ref={svg}
      role="img"
      width={size.width}
      height={size.height}
      aria-label={
        onPoint
          ? t('session.finishPicture.greenAroundTheHoleWith', { up: String(up) })
          : t('session.finishPicture.wherePuttsStoppedAroundThe', { rests: rests.length })
      }
      className={`touch-manipulation bg-sheet ${onPoint ? 'cursor-crosshair' : ''}`}
      onClick={({ clientX, clientY, timeStamp }) => point(clientX, clientY, timeStamp)}
    >
      {marks.map((mark, index) => {
        if (mark.type === 'zone') {
          const [a, b] = [
            pixel({ along: mark.from, across: -mark.half }),
            pixel({ along: mark.to, across: mark.half }),
          ];
          if (mark.round) {
            const hole = pixel({ along: mark.from, across: 0 });
            const end = pixel({ along: mark.to, across: 0 });
            const radius = Math.hypot(end.x - hole.x, end.y - hole.y);
            return (
              <path
                key={index}
                d={`M${a.x} ${a.y}A${radius} ${radius} 0 0 1 ${up ? b.x : a.x} ${up ? a.y : b.y}Z`}
                className="fill-hole/20 stroke-hole"
                strokeWidth={1.6}
              />
            );
          }
          return (
            <rect
              key={index}
              x={Math.min(a.x, b.x)}
              y={Math.min(a.y, b.y)}
              width={Math.abs(b.x - a.x)}
              height={Math.abs(b.y - a.y)}
              className="fill-hole/20 stroke-hole"
              strokeWidth={1.6}
            />
          );
        }
        if (mark.type !== 'peg' && mark.type !== 'hole') return null;
        const { x, y } = pixel(mark.at);
        const radius = mark.type === 'peg' ? 4 : Math.max(onPoint ? 11 : 5, scale * mark.radius);
        return (
          <circle
            key={index}
            cx={x}
            cy={y}
            r={radius}
            className={
              mark.type === 'hole' && holed ? 'fill-line stroke-ink' : 'fill-ink stroke-none'
            }
            strokeWidth={3}
          />
        );
      })}
      <path
        d={`M${from.x} ${from.y}L${up ? centre.x : centre.x - 16} ${up ? centre.y + 16 : centre.y}`}
        className="stroke-line"
        strokeWidth={2}
        strokeDasharray="9 7"
      />
      {ticks.map((at) => {
        const { x, y } = pixel({ along: distance + at, across: 0 });
        const [tx, ty] = up ? [size.width - 8, y + 5] : [x, size.height - 8];
        return (
          <g key={at}>
            <path d={up ? `M0 ${y}h10` : `M${x} 0v10`} className="stroke-ink2" strokeWidth={1.6} />
            <text
              x={tx}
              y={ty}
              textAnchor={up ? 'end' : 'middle'}
              fontSize={14}
              className="fill-ink2 font-[600]"
            >
              {words(at)}
            </text>
          </g>
        );
      })}
      {rests.map(({ spot, passes }, index) => {
        const { x, y } = pixel(spot);
        return (
          <circle
            key={index}
            cx={x}
            cy={y}
            r={6}
            className={passes ? 'fill-ink' : 'fill-sheet stroke-ink'}
            strokeWidth={2}
          />
        );
      })}
      {chosen && (
        <circle
          cx={pixel(chosen).x}
          cy={pixel(chosen).y}
          r={8}
          className="fill-line stroke-sheet"
          strokeWidth={2}
        />
      )}
    </svg>
  );
  return onPoint ? (
    <Cross label={t('session.finishPicture.whereItStopped')} onPoint={point}>
      {drawn}
    </Cross>
  ) : (
    drawn
  );
}

/** Between two ticks, m: what a coach counts in, at least so many pixels apart. */
function tickStep(apart: number, scale: number, units: UnitPreferences): number {
  const steps =
    units.long === 'imperial' ? [0.3048, 0.6096, 0.9144, 1.524, 3.048] : [0.25, 0.5, 1, 2, 4];
  return steps.find((step) => step * scale >= apart) ?? steps.at(-1)!;
}
