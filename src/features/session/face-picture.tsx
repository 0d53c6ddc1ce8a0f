'use client';

import { useTranslations } from 'next-intl';
import { useRef } from 'react';
import type { Spot } from '@/core/layout';
import { headEnd, type Fitting } from '@/core/people';
import { Cross } from '@/ui/cross';

/** Height of the face as drawn, m: a picture of where, not of how tall this head is. */
const FACE_HEIGHT = 0.026;
/** Room round the face for the words, m. */
const ROOM = { aside: 0.004, above: 0.012, below: 0.004 };

/** Where marks are drawn on a face seen from its front: mirrored, the heel on the other side. */
export interface FaceMarkDrawn {
  spot: Spot;
  passes: boolean;
}

/**
 * This putter's face, seen from its front as one who looks for the mark holds it. Touched, it says where: across right
 * of the middle looking from behind, along above it.
 */
export function FacePicture({
  player,
  middle,
  marks = [],
  chosen,
  onPoint,
  className = 'h-[122px]',
}: {
  player: Fitting;
  /** Half of what counts as the middle. */
  middle: Spot | null;
  marks?: FaceMarkDrawn[];
  chosen?: Spot;
  onPoint?: (spot: Spot, at: number) => void;
  className?: string;
}) {
  const t = useTranslations();
  const length = player.headLength;
  const width = length + 2 * ROOM.aside;
  const height = FACE_HEIGHT + ROOM.above + ROOM.below;
  const top = -FACE_HEIGHT / 2 - ROOM.above;
  // From the front, what is right of the middle is on the left.
  const heel = headEnd('left', player.hand) === 'heel' ? 1 : -1;
  const mm = (metres: number) => metres * 1000;
  const svg = useRef<SVGSVGElement>(null);
  const point = (clientX: number, clientY: number, at: number) => {
    const spot = new DOMPoint(clientX, clientY).matrixTransform(
      svg.current!.getScreenCTM()!.inverse(),
    );
    const within = (value: number, most: number) => Math.min(Math.max(value, -most), most);
    onPoint?.(
      {
        across: within(-spot.x / 1000, length / 2),
        along: within(-spot.y / 1000, FACE_HEIGHT / 2),
      },
      at,
    );
  };
  const drawn = (
    <svg
      ref={svg}
      role="img"
      aria-label={
        onPoint
          ? t('session.facePicture.putterFaceSeenFromThe')
          : t('session.facePicture.marksOnThePutterFace', { marks: marks.length })
      }
      viewBox={[-width / 2, top, width, height].map(mm).join(' ')}
      className={`w-full touch-manipulation ${className} ${onPoint ? 'cursor-crosshair' : ''}`}
      onClick={({ clientX, clientY, timeStamp }) => point(clientX, clientY, timeStamp)}
    >
      <path
        d={`M${heel * mm(length / 2 - 0.012)} ${mm(-FACE_HEIGHT / 2)}l${heel * 3} -12`}
        className="stroke-ink"
        strokeWidth={2.4}
      />
      <rect
        x={mm(-length / 2)}
        y={mm(-FACE_HEIGHT / 2)}
        width={mm(length)}
        height={mm(FACE_HEIGHT)}
        rx={2.5}
        className="fill-sheet stroke-ink"
        strokeWidth={0.7}
      />
      {middle && (
        <rect
          x={mm(-middle.across)}
          y={mm(-middle.along)}
          width={mm(2 * middle.across)}
          height={mm(2 * middle.along)}
          className="fill-line/20 stroke-line"
          strokeWidth={0.5}
        />
      )}
      <path
        d={`M0 ${mm(-FACE_HEIGHT / 2)}V${mm(FACE_HEIGHT / 2)}M${mm(-length / 2)} 0H${mm(length / 2)}`}
        className="stroke-rule"
        strokeWidth={0.35}
      />
      {(['heel', 'toe'] as const).map((end) => (
        <text
          key={end}
          x={(end === 'heel' ? heel : -heel) * mm(length / 2 - 0.003)}
          y={mm(FACE_HEIGHT / 2) - 2}
          textAnchor={(end === 'heel') === heel > 0 ? 'end' : 'start'}
          className="fill-ink2 font-[600]"
          fontSize={5.2}
        >
          {end}
        </text>
      ))}
      {marks.map(({ spot, passes }, index) => (
        <circle
          key={index}
          cx={mm(-spot.across)}
          cy={mm(-spot.along)}
          r={1.9}
          className={passes ? 'fill-ink' : 'fill-sheet stroke-ink'}
          strokeWidth={0.7}
        />
      ))}
      {chosen && (
        <circle
          cx={mm(-chosen.across)}
          cy={mm(-chosen.along)}
          r={2.6}
          className="fill-line stroke-sheet"
          strokeWidth={0.6}
        />
      )}
    </svg>
  );
  return onPoint ? (
    <Cross label={t('session.facePicture.markPosition')} onPoint={point} className="grid h-full">
      {drawn}
    </Cross>
  ) : (
    drawn
  );
}
