'use client';

import { useTranslations } from 'next-intl';
import { READ_PICTURE, readAside, type Layout, type Spot } from '@/core/layout';
import { HOLE_RADIUS } from '@/core/green';
import { useRef } from 'react';
import { Cross } from '@/ui/cross';
import { useSize } from '@/ui/use-size';

interface ReadPictureProps {
  layout: Layout;
  chosen?: Spot;
  onPoint: (spot: Spot, at: number) => void;
  className?: string;
}

/**
 * The last of the way to the hole, seen by the player who stands behind the ball: touched where the ball is to start over, beside
 * the hole or at a spot on the way. It shows nothing of the slope.
 */
export function ReadPicture({ className = 'h-[220px]', ...rest }: ReadPictureProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className={`relative w-full ${className}`}>
      <div className="absolute inset-0 overflow-hidden">
        {size && <Read {...rest} size={size} />}
      </div>
    </div>
  );
}

/** Hole widths to either side that a line is drawn at, from the middle of the hole. */
const CUPS = [1, 2, 3, 4, 5, 6];

function Read({
  layout,
  chosen,
  onPoint,
  size,
}: ReadPictureProps & { size: { width: number; height: number } }) {
  const t = useTranslations();
  const { distance } = layout.putt;
  const { past } = READ_PICTURE;
  const aside = readAside(distance);
  const scale = size.width / (2 * aside);
  const most = Math.min(READ_PICTURE.short, 0.6 * distance) + past;
  const height = Math.min(size.height, scale * most);
  const pixel = ({ along, across }: Spot) => ({
    x: size.width / 2 + scale * across,
    y: scale * (distance + past - along),
  });
  const hole = pixel({ along: distance, across: 0 });
  const ball = pixel({ along: 0, across: 0 });
  const start = chosen && pixel(chosen);
  const svg = useRef<SVGSVGElement>(null);
  const point = (clientX: number, clientY: number, at: number) => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = [clientX - box.left, clientY - box.top];
    onPoint({ along: distance + past - y / scale, across: (x - size.width / 2) / scale }, at);
  };
  return (
    <Cross label={t('session.readPicture.whereTheBallHasTo')} onPoint={point}>
      <svg
        ref={svg}
        role="img"
        aria-label={t('session.readPicture.theHoleFromBehindThe')}
        width={size.width}
        height={height}
        className="cursor-crosshair touch-manipulation bg-sheet"
        onClick={({ clientX, clientY, timeStamp }) => point(clientX, clientY, timeStamp)}
      >
        <path
          d={`M${ball.x} ${ball.y}L${hole.x} ${hole.y}`}
          className="stroke-rule"
          strokeWidth={2}
          strokeDasharray="9 7"
        />
        {CUPS.flatMap((count) =>
          [-count, count].map((cups) => {
            const { x } = pixel({ along: distance, across: 2 * HOLE_RADIUS * cups });
            return x > 4 && x < size.width - 4 ? (
              <path
                key={cups}
                d={`M${x} ${hole.y - 7}v14`}
                className="stroke-ink2"
                strokeWidth={1.6}
              />
            ) : null;
          }),
        )}
        <circle cx={hole.x} cy={hole.y} r={Math.max(9, scale * HOLE_RADIUS)} className="fill-ink" />
        <text x={12} y={22} fontSize={15} className="fill-ink2 font-[600]">
          {t('session.readPicture.tapWhereTheBallStarts')}
        </text>
        {start && (
          <>
            <path
              d={`M${ball.x} ${ball.y}L${start.x} ${start.y}`}
              className="stroke-line"
              strokeWidth={2.5}
            />
            <circle
              cx={start.x}
              cy={start.y}
              r={8}
              className="fill-line stroke-sheet"
              strokeWidth={2}
            />
          </>
        )}
      </svg>
    </Cross>
  );
}
