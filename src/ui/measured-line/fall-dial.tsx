'use client';

import { useTranslations } from 'next-intl';
import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { fallsWords, type Slope } from '@/core/green';
import { showGrade } from '@/core/units';
import type { Lie } from './geometry';

const RADIUS = 46;
/** Grade at the rim; steeper ones are typed. */
const RIM = 0.05;
const GRADE_STEP = 0.001;
const TURN_STEP = Math.PI / 36;

/**
 * The slope as an arrow that is dragged: where it points the green falls, how long it is says how steeply. Named
 * directions and level catch it.
 */
export function FallDial({
  slope,
  lie,
  onSlope,
}: {
  slope: Slope;
  lie: Lie;
  onSlope: (slope: Slope) => void;
}) {
  const t = useTranslations();
  const dial = useRef<SVGSVGElement>(null);
  // Keys can come faster than the drawing answers: each step starts from the last one asked for.
  const latest = useRef(slope);
  useEffect(() => {
    latest.current = slope;
  }, [slope]);
  // On a drawing that lies along the screen the putt runs to the right, else up.
  const turned = lie === 'along' ? 0 : -Math.PI / 2;
  const bind = useDrag(
    ({ xy: [x, y], event }) => {
      event.preventDefault();
      const box = dial.current!.getBoundingClientRect();
      const across = x - box.left - box.width / 2;
      const down = y - box.top - box.height / 2;
      onSlope(caught(Math.hypot(across, down) / RADIUS, Math.atan2(down, across) - turned));
    },
    {
      pointer: { touch: true, capture: true, keys: false },
      filterTaps: false,
      triggerAllEvents: true,
    },
  );
  const keys = (event: KeyboardEvent) => {
    const steps: Record<string, [grade: number, turn: number]> = {
      ArrowUp: [GRADE_STEP, 0],
      ArrowDown: [-GRADE_STEP, 0],
      ArrowLeft: [0, -TURN_STEP],
      ArrowRight: [0, TURN_STEP],
    };
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    const falls = latest.current.falls + step[1];
    latest.current = {
      grade: Math.min(Math.max(latest.current.grade + step[0], 0), 0.08),
      falls: Math.atan2(Math.sin(falls), Math.cos(falls)),
    };
    onSlope(latest.current);
  };
  const reach = Math.min(slope.grade / RIM, 1.15) * RADIUS;
  const angle = slope.falls + turned;
  const tip = { x: reach * Math.cos(angle), y: reach * Math.sin(angle) };
  const words =
    slope.grade === 0
      ? 'level'
      : t('ui.fallDial.falls', { grade: showGrade(slope.grade), falls: fallsWords(slope.falls) });
  return (
    <div
      {...bind()}
      role="slider"
      tabIndex={0}
      aria-label={t('ui.fallDial.slopeTheUpAndDown')}
      aria-valuemin={0}
      aria-valuemax={8}
      aria-valuenow={Number((slope.grade * 100).toFixed(1))}
      aria-valuetext={words}
      onKeyDown={keys}
      title={t('ui.fallDial.dragInTheDirectionOf')}
      className="absolute bottom-1 left-3 flex cursor-grab touch-none items-end rounded-full active:cursor-grabbing"
    >
      <svg ref={dial} width="116" height="116" viewBox="-58 -58 116 116" aria-hidden>
        <circle r={RADIUS} className="fill-none stroke-rule" strokeWidth="1.2" />
        {[0.2, 0.4, 0.6, 0.8].map((share) => (
          <circle
            key={share}
            r={RADIUS * share}
            className="fill-none stroke-hair"
            strokeWidth="1"
          />
        ))}
        <circle
          cx={52 * Math.cos(turned)}
          cy={52 * Math.sin(turned)}
          r="3.4"
          className="fill-ink"
        />
        <circle r="3" className="fill-ink2" />
        <line x2={tip.x} y2={tip.y} className="stroke-ink" strokeWidth="2.6" />
        <circle cx={tip.x} cy={tip.y} r="10" className="fill-sheet stroke-ink" strokeWidth="2.4" />
        {slope.grade > 0 && (
          <path
            d="M-3.5 -4L3 0L-3.5 4"
            transform={`translate(${tip.x} ${tip.y}) rotate(${(angle * 180) / Math.PI})`}
            className="fill-none stroke-ink"
            strokeWidth="2.2"
          />
        )}
      </svg>
      <span className="pb-3 text-[0.875rem] font-[640] select-none max-sm:hidden">{words}</span>
    </div>
  );
}

/** A grade and a direction as a hand means them: to a tenth of a per cent and five degrees, level near the middle. */
function caught(share: number, angle: number): Slope {
  const grade = Math.round((Math.min(share, 1) * RIM) / GRADE_STEP) * GRADE_STEP;
  if (grade < 2.5 * GRADE_STEP) return { grade: 0, falls: 0 };
  const named = Math.round(angle / (Math.PI / 4)) * (Math.PI / 4);
  const near = Math.abs(angle - named) < (6 * Math.PI) / 180;
  const falls = near ? named : Math.round(angle / TURN_STEP) * TURN_STEP;
  return { grade, falls: Math.atan2(Math.sin(falls), Math.cos(falls)) };
}
