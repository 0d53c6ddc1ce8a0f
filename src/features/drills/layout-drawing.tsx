'use client';

import { drawLayout, type Layout } from '@/core/layout';
import { formatLength, showGrade, showLength, type UnitPreferences } from '@/core/units';
import { makeWindow } from '@/core/green';
import { MeasuredLine, type MeasuredLineProps } from '@/ui/measured-line/measured-line';
import { fallsOf } from './form';
import type { Lie } from '@/ui/measured-line/geometry';

/** A layout on the measured line, with what the drawing rests on in its title block. */
export function LayoutDrawing({
  layout,
  units,
  lie,
  brief = false,
  ...rest
}: {
  layout: Layout;
  units: UnitPreferences;
  lie: Lie;
  /** Leaves the title block to the scale alone. */
  brief?: boolean;
} & Pick<MeasuredLineProps, 'targets' | 'onTouch'>) {
  const { putt } = layout;
  const { shareOfHole } = makeWindow(putt);
  const slope =
    putt.slope.grade === 0
      ? 'flat'
      : `${showGrade(putt.slope.grade)} ${fallsOf(putt.slope.falls).label}`;
  const pace = units.long === 'metric' || units.short === 'metric' ? 'cm' : 'in';
  return (
    <MeasuredLine
      {...rest}
      marks={drawLayout(layout)}
      units={units}
      lie={lie}
      description={`A putt of ${showLength(putt.distance, 'putt', units)}, seen from above`}
      facts={
        brief
          ? []
          : [
              { name: 'green', value: `${slope}, ${showLength(putt.greenSpeed, 'putt', units)}` },
              { name: 'pace', value: `${formatLength(putt.past, pace)} past` },
              { name: 'share of hole', value: `${Math.round(shareOfHole * 100)} %` },
            ]
      }
    />
  );
}
