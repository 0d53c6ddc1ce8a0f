'use client';

import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { useSize } from '../use-size';
import { Cut, Dimension, Extensions } from './dimensions';
import { fit, type Geometry, type Lie, type Room } from './geometry';
import { MarkShape } from './shapes';
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
