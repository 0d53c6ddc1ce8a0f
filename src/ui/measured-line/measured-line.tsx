'use client';

import { useTranslations } from 'next-intl';
import type { Slope } from '@/core/green';
import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { useId } from 'react';
import { useSize } from '../use-size';
import { FallDial } from './fall-dial';
import { Drawing, aimsLow } from './drawing';
import { NARROW } from './dimensions';
import { fit, marginsOf, type Lie } from './geometry';
import { GripHandle, reachOf, type DrawnGrip } from './grip-handle';
import { TouchTarget, type Target } from './touch-target';

export interface MeasuredLineProps {
  marks: Mark[];
  units: UnitPreferences;
  lie: Lie;
  /** Said to those who cannot see it. */
  description: string;
  /** Id of what holds its numbers: the tape list. */
  details?: string;
  /** Facts for the title block. */
  facts?: { name: string; value: string }[];
  targets?: Target[];
  /** Told which target was touched, and when. */
  onTouch?: (id: string, at: number) => void;
  /** What can be taken hold of and moved. */
  grips?: DrawnGrip[];
  /** The slope as it is, and where a dragged one goes; without it the slope is only shown. */
  fall?: { slope: Slope; onSlope: (slope: Slope) => void };
}

/** A putt as a builder draws it: to scale along, exaggerated across, with dimension strings and both wedges. */
export function MeasuredLine(props: MeasuredLineProps) {
  const t = useTranslations();
  const [ref, size] = useSize<HTMLDivElement>();
  const clip = useId();
  // Tees to be touched need the room that a mark far beyond the hole would take.
  const marks = props.targets
    ? props.marks.filter((mark) => mark.type !== 'line' || mark.role !== 'past')
    : props.marks;
  const geometry =
    size &&
    fit(marks, {
      ...size,
      lie: props.lie,
      margin: marginsOf(props.lie, !!props.fall && size.width < NARROW),
      holeAtMost: props.targets ? 92 : 58,
    });
  return (
    <div ref={ref} className="relative h-full w-full overflow-hidden bg-sheet">
      {size && geometry && (
        <>
          <svg
            width={size.width}
            height={size.height}
            role="img"
            aria-label={props.description}
            aria-details={props.details}
            className="absolute inset-0"
          >
            <Drawing {...props} t={t} marks={marks} geometry={geometry} size={size} clip={clip} />
          </svg>
          {props.targets?.map((target) => (
            <TouchTarget
              key={target.id}
              target={target}
              at={geometry.pixel(target.at)}
              onTouch={props.onTouch}
            />
          ))}
          {props.grips?.map((grip) => (
            <GripHandle
              key={grip.id}
              grip={grip}
              reach={reachOf(grip, props.grips!, geometry)}
              geometry={geometry}
            />
          ))}
          {props.fall && <FallDial {...props.fall} lie={props.lie} />}
          <TitleBlock
            facts={[...(props.facts ?? []), { name: 'across', value: `×${geometry.across}` }]}
            brief={!!props.fall}
            atLeft={!props.fall && (props.lie === 'up' || aimsLow(props.marks))}
          />
        </>
      )}
    </div>
  );
}

function TitleBlock({
  facts,
  atLeft,
  brief,
}: {
  facts: { name: string; value: string }[];
  atLeft: boolean;
  /** On a narrow screen there is only room for the last of them. */
  brief: boolean;
}) {
  return (
    <dl
      className={`absolute flex border-[length:var(--stroke)] border-ink bg-sheet ${
        atLeft ? 'bottom-2 left-2' : 'right-4 bottom-4 max-sm:right-2 max-sm:bottom-2'
      }`}
    >
      {facts.map(({ name, value }) => (
        <div
          key={name}
          className={`border-l border-ink px-2.5 py-1 first:border-l-0 max-sm:px-1.5 ${brief ? 'max-sm:not-last:hidden' : ''}`}
        >
          <dt className="cap text-[0.75rem]">{name}</dt>
          <dd className="text-[0.875rem] num">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
