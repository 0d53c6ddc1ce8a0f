'use client';

import { useTranslations } from 'next-intl';
import { drawLayout, type Layout, type Mark } from '@/core/layout';
import { roughLength, type UnitPreferences } from '@/core/units';
import { makeWindow } from '@/core/green';
import { drawingWords } from './drawing-words';
import { groundWords } from './ground-words';
import { MeasuredLine, type MeasuredLineProps } from '@/ui/measured-line/measured-line';
import type { Lie } from '@/ui/measured-line/geometry';

/** A drawing that does not say where the putt has to start. */
const withoutRead = (marks: Mark[]): Mark[] =>
  marks.filter(
    (mark) =>
      !['aim', 'midpoint', 'wedge', 'fall'].includes(mark.type) &&
      !(mark.type === 'curve' && mark.role === 'roll') &&
      !(mark.type === 'line' && (mark.role === 'start' || mark.role === 'past')),
  );

/** A layout on the measured line, with what the drawing rests on in its title block. */
export function LayoutDrawing({
  layout,
  units,
  lie,
  brief = false,
  unread = false,
  more = [],
  ...rest
}: {
  layout: Layout;
  units: UnitPreferences;
  lie: Lie;
  /** Leaves the title block to the scale alone. */
  brief?: boolean;
  /** Leaves out where the putt has to start, while the player is asked for it. */
  unread?: boolean;
  /** What is drawn over the layout. */
  more?: Mark[];
} & Pick<MeasuredLineProps, 'targets' | 'onTouch' | 'fall' | 'grips' | 'details'>) {
  const t = useTranslations();
  const { putt } = layout;
  const { shareOfHole } = makeWindow(putt);
  return (
    <MeasuredLine
      {...rest}
      marks={[...(unread ? withoutRead(drawLayout(layout)) : drawLayout(layout)), ...more]}
      units={units}
      lie={lie}
      description={drawingWords(t, layout, units)}
      facts={
        brief
          ? []
          : [
              { name: 'green', value: groundWords(layout, units) },
              {
                name: 'pace',
                value: t('drills.layoutDrawing.past', { past: roughLength(putt.past, units) }),
              },
              {
                name: t('drills.layoutDrawing.usableHoleWidth'),
                value: `${Math.round(shareOfHole * 100)} %`,
              },
            ]
      }
    />
  );
}
