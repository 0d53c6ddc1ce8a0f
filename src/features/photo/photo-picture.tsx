'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useState, type KeyboardEvent } from 'react';
import type { Pixel } from '@/core/photo';
import { useSize } from '@/ui/use-size';

/** How much larger the loupe shows what is under the cross; then once more, where the picture has more to show. */
const LOUPE = 4;
/** A pixel of the picture that is shown as large as this need not be shown larger, px. */
const LARGE = 2;
/** The most of the screen that the picture may take, from above. */
const MOST = '54dvh';
/** How wide the loupe is, px. */
const LENS = 168;
/** What an arrow key moves the cross by on the screen, px; with Shift held. */
const STEP = { coarse: 8, fine: 0.5 };

/** A point that was touched, and what it is. */
export interface Touched {
  at: Pixel;
  label: string;
  /** What is measured, beside what is known. */
  measured: boolean;
}

/**
 * A photo to touch. The first touch brings the loupe to a place, a touch in the loupe sets the point exactly; by keys the arrows
 * move the cross and Enter sets it.
 */
export function PhotoPicture({
  url,
  natural,
  points,
  asks,
  onPoint,
}: {
  url: string;
  /** Its own size, pixels. */
  natural: { width: number; height: number };
  points: readonly Touched[];
  /** What is to be touched next; null when all is. */
  asks: string | null;
  /** A point in the picture's own pixels, and how large a pixel is shown in the loupe. */
  onPoint: (at: Pixel, shown: number) => void;
}) {
  const t = useTranslations();
  const [ref, size] = useSize<HTMLDivElement>();
  const [cross, setCross] = useState<Pixel | null>(null);
  const [closer, setCloser] = useState(false);
  // All of it in sight, above what is asked.
  useEffect(() => {
    ref.current?.scrollIntoView({ block: 'start' });
  }, [ref]);
  const shown = size ? size.width / natural.width : 1;
  const lens = shown * LOUPE * (closer ? LOUPE : 1);
  const within = ({ x, y }: Pixel): Pixel => ({
    x: Math.min(natural.width, Math.max(0, x)),
    y: Math.min(natural.height, Math.max(0, y)),
  });
  const move = (at: Pixel, near: boolean) => {
    setCross(within(at));
    setCloser(near);
  };
  /** Set there, or looked at once more as large as the picture allows. */
  const set = (at: Pixel) => {
    if (lens < LARGE && !closer) {
      move(at, true);
      return;
    }
    onPoint(within(at), lens);
    setCross(null);
    setCloser(false);
  };
  const onKey = (event: KeyboardEvent) => {
    const step = (event.shiftKey ? STEP.fine : STEP.coarse) / (closer ? lens : shown);
    const by = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }[event.key];
    const from = cross ?? { x: natural.width / 2, y: natural.height / 2 };
    if (by) move({ x: from.x + by[0]! * step, y: from.y + by[1]! * step }, closer);
    else if (event.key === 'Enter' && cross) set(cross);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  /* Beside the place, on the side where there is more room, so that it hides nothing that is looked at. */
  const lensAt = cross && {
    left: cross.x * shown < (size?.width ?? 0) / 2 ? (size?.width ?? 0) - LENS : 0,
    top: Math.min(
      Math.max(0, cross.y * shown - LENS / 2),
      Math.max(0, (size?.height ?? LENS) - LENS),
    ),
  };
  return (
    <div
      ref={ref}
      className="relative w-full touch-manipulation overflow-hidden border-[length:var(--stroke)] border-ink"
      style={{
        aspectRatio: `${natural.width} / ${natural.height}`,
        maxWidth: `calc(${MOST} * ${natural.width / natural.height})`,
      }}
    >
      <div
        role="application"
        tabIndex={0}
        aria-label={
          asks
            ? t('photo.photoPicture.photoMarkMoveTheCross', { asks })
            : t('photo.photoPicture.photoAllPointsAreMarked')
        }
        className="absolute inset-0 cursor-crosshair"
        style={{ backgroundImage: `url(${url})`, backgroundSize: '100% 100%' }}
        onKeyDown={onKey}
        onClick={(event) => {
          if (!asks) return;
          const box = event.currentTarget.getBoundingClientRect();
          move(
            { x: (event.clientX - box.left) / shown, y: (event.clientY - box.top) / shown },
            false,
          );
        }}
      />
      {size && (
        <svg
          aria-hidden
          width={size.width}
          height={size.height}
          className="pointer-events-none absolute inset-0"
        >
          {points.map(({ at, label, measured }, index) => (
            <Point
              key={`${index} ${label}`}
              at={{ x: at.x * shown, y: at.y * shown }}
              number={index + 1}
              measured={measured}
            />
          ))}
          {cross && (
            <path
              d={`M${cross.x * shown - 16} ${cross.y * shown}h32M${cross.x * shown} ${cross.y * shown - 16}v32`}
              stroke="#fff"
              strokeWidth={2.5}
            />
          )}
        </svg>
      )}
      {cross && lensAt && (
        <button
          type="button"
          aria-label={t('photo.photoPicture.markHere', { asks: asks ?? '' })}
          className="absolute cursor-crosshair border-[3px] border-ink bg-sheet"
          style={{
            ...lensAt,
            width: LENS,
            height: LENS,
            backgroundImage: `url(${url})`,
            backgroundRepeat: 'no-repeat',
            backgroundSize: `${natural.width * lens}px ${natural.height * lens}px`,
            backgroundPosition: `${LENS / 2 - 3 - cross.x * lens}px ${LENS / 2 - 3 - cross.y * lens}px`,
          }}
          onKeyDown={onKey}
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            // A key that presses it has no place: the cross itself is meant.
            const by = event.detail === 0 ? null : { x: event.clientX, y: event.clientY };
            const off = by
              ? { x: by.x - box.left - LENS / 2, y: by.y - box.top - LENS / 2 }
              : { x: 0, y: 0 };
            set({ x: cross.x + off.x / lens, y: cross.y + off.y / lens });
          }}
        >
          <svg aria-hidden width="100%" height="100%" className="pointer-events-none">
            <path
              d={`M0 ${LENS / 2 - 3}h${LENS / 2 - 12}m18 0h${LENS}M${LENS / 2 - 3} 0v${LENS / 2 - 12}m0 18v${LENS}`}
              stroke="#fff"
              strokeWidth={3.5}
            />
            <path
              d={`M0 ${LENS / 2 - 3}h${LENS / 2 - 12}m18 0h${LENS}M${LENS / 2 - 3} 0v${LENS / 2 - 12}m0 18v${LENS}`}
              stroke="#000"
              strokeWidth={1.5}
            />
          </svg>
        </button>
      )}
    </div>
  );
}

/** A point that was set: its number beside a small ring, readable on light grass and dark. */
function Point({ at, number, measured }: { at: Pixel; number: number; measured: boolean }) {
  return (
    <g>
      <circle cx={at.x} cy={at.y} r={6} fill="none" stroke="#000" strokeWidth={4} />
      <circle
        cx={at.x}
        cy={at.y}
        r={6}
        fill="none"
        stroke={measured ? '#ffb38a' : '#fff'}
        strokeWidth={2}
      />
      <rect x={at.x + 9} y={at.y - 22} width={22} height={20} fill="#000" />
      <text
        x={at.x + 20}
        y={at.y - 7}
        textAnchor="middle"
        fontSize={14}
        fontWeight={700}
        fill="#fff"
      >
        {number}
      </text>
    </g>
  );
}
