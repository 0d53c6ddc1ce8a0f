'use client';

import type { Slope } from '@/core/green';
import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { useSize } from '../use-size';
import { Cut, Dimension, Extensions } from './dimensions';
import { FallDial } from './fall-dial';
import { fit, type Geometry, type Lie, type Room } from './geometry';
import { Fall, MarkShape } from './shapes';
import { TouchTarget, type Target } from './touch-target';

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
  /** The slope as it is, and where a dragged one goes; without it the slope is only shown. */
  fall?: { slope: Slope; onSlope: (slope: Slope) => void };
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
          </svg>
          {props.targets?.map((target) => (
            <TouchTarget
              key={target.id}
              target={target}
              at={geometry.pixel(target.at)}
              onTouch={props.onTouch}
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

interface DrawingProps extends MeasuredLineProps {
  geometry: Geometry;
  size: { width: number; height: number };
}

/** What lies under what. */
const LAYERS: Mark['type'][][] = [
  ['wedge'],
  ['line', 'curve'],
  ['hole', 'ball', 'tee', 'aim', 'midpoint'],
];

function Drawing({ marks, units, geometry, size, targets, fall: dial }: DrawingProps) {
  const touched = new Set(targets?.map(({ id }) => id));
  const fall = marks.find((mark) => mark.type === 'fall');
  const low = geometry.lie === 'up' || aimsLow(marks);
  const dimensions = marks.filter((mark) => mark.type === 'dimension');
  const shown = geometry.lie === 'along' ? dimensions : dimensions.filter(({ row }) => row > 0);
  return (
    <g>
      {fall && !dial && (
        <Fall
          falls={fall.falls}
          lie={geometry.lie}
          corner={{ x: low ? size.width - 82 : 30, y: size.height - 34 }}
        />
      )}
      {geometry.lie === 'along' && <Extensions marks={marks} geometry={geometry} />}
      {LAYERS.flatMap((layer) =>
        marks
          .filter(({ type }) => layer.includes(type))
          .map((mark, index) => (
            <MarkShape
              key={`${mark.type} ${index}`}
              mark={mark}
              units={units}
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

/** Whether the aim is written in the lower right corner of a drawing that lies along the screen. */
const aimsLow = (marks: Mark[]): boolean =>
  marks.some((mark) => mark.type === 'aim' && mark.beside > 0);

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
          <dt className="cap text-[12px]">{name}</dt>
          <dd className="text-[14px] num">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
