'use client';

import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { FacePicture } from './face-picture';
import { FinishPicture, type Rest } from './finish-picture';
import { pointAt, touchOutcome, touchParts, touchTee, type Seen } from './seen';
import { TeesPart, leastHeight, type Lie } from './tees-part';

/**
 * One picture to touch: at the ball, at the gates, round the hole, next to each other at scales of their own with a cut
 * between. From the ball at the bottom, or at the left where the screen is wider than high.
 */
export function TouchBoard({
  layout,
  units,
  seen,
  rests,
  lie,
  onSeen,
}: {
  /** Where the putt is made. */
  layout: Layout;
  units: UnitPreferences;
  seen: Seen;
  /** Where earlier putts came to rest. */
  rests: readonly Rest[];
  lie: Lie;
  onSeen: (seen: Seen, at: number) => void;
}) {
  const { gates, rest, face } = touchParts(layout);
  const resting = rest[0];
  const parts: { id: string; weight: number; least: number; body: ReactNode }[] = [
    ...face.map((element) => ({
      id: element.id,
      weight: 1,
      least: 124,
      body: (
        <FacePicture
          player={layout.player}
          middle={element.pointing!.middle}
          chosen={seen[element.id]?.spot}
          onPoint={(spot, at) => onSeen(pointAt(layout, seen, element, spot), at)}
          className="h-full max-h-[220px]"
        />
      ),
    })),
    ...gates.map((element) => ({
      id: element.id,
      weight: 1,
      least: leastHeight(element, lie),
      body: (
        <TeesPart
          element={element}
          units={units}
          seen={seen}
          lie={lie}
          onTee={(tee, at) => onSeen(touchTee(layout, seen, element, tee), at)}
          onPassed={(outcome, at) => onSeen(touchOutcome(layout, seen, element, outcome), at)}
        />
      ),
    })),
    ...(resting
      ? [
          {
            id: resting.id,
            weight: 1.5,
            least: 150,
            body: (
              <FinishPicture
                layout={layout}
                units={units}
                rests={rests}
                chosen={seen[resting.id]?.spot}
                holed={rest.some(({ id }) => seen[id]?.outcome === 'holed')}
                lie={lie}
                onPoint={(spot, at) => onSeen(pointAt(layout, seen, resting, spot), at)}
                className="h-full"
              />
            ),
          },
        ]
      : []),
  ];
  return (
    <div
      className={clsx(
        'flex h-full min-h-0 w-full',
        lie === 'up' ? 'flex-col-reverse overflow-y-auto' : 'flex-row',
      )}
    >
      {parts.map(({ id, weight, least, body }, index) => (
        <div
          key={id}
          style={{ flexGrow: weight, flexBasis: 0, ...(lie === 'up' && { minHeight: least }) }}
          className={clsx(
            'grid min-w-0',
            index > 0 &&
              (lie === 'up'
                ? 'border-b-2 border-dashed border-rule'
                : 'border-l-2 border-dashed border-rule'),
          )}
        >
          {body}
        </div>
      ))}
    </div>
  );
}
