'use client';

import clsx from 'clsx';
import type { Layout, Spot, Standing } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { releaseFocus } from '@/ui/release-focus';
import { FacePicture } from './face-picture';
import { FinishPicture } from './finish-picture';

/** What was touched for one element: what happened, and where on its picture. */
export interface Touched {
  outcome: string;
  spot?: Spot;
}

/** The picture of an element that can be pointed at. */
export function PointPicture({
  element,
  layout,
  units,
  chosen,
  onPoint,
}: {
  element: Standing;
  layout: Layout;
  units: UnitPreferences;
  chosen?: Spot;
  onPoint: (spot: Spot, at: number) => void;
}) {
  switch (element.pointing?.on) {
    case 'face':
      return (
        <FacePicture
          player={layout.player}
          middle={element.pointing.middle}
          chosen={chosen}
          onPoint={onPoint}
        />
      );
    case 'green':
      return <FinishPicture layout={layout} units={units} chosen={chosen} onPoint={onPoint} />;
    default:
      return null;
  }
}

/** The other elements of a drill: what passes is taken unless another is touched before the putt is logged. */
export function MoreTouch({
  elements,
  layout,
  units,
  chosen,
  onChoose,
}: {
  elements: Standing[];
  layout: Layout;
  units: UnitPreferences;
  chosen: Record<string, Touched>;
  onChoose: (element: string, touched: Touched) => void;
}) {
  return (
    <div className="grid gap-1.5">
      {elements.map((element) => {
        const outcomes = element.outcomes();
        const now = chosen[element.id];
        const outcome = now?.outcome ?? outcomes[0]!.id;
        return (
          <div key={element.id} className="grid gap-1.5">
            <div
              role="group"
              aria-label={element.name}
              className="grid grid-cols-[72px_minmax(0,1fr)] items-center gap-2"
            >
              <span className="cap leading-tight">
                {element.kind === 'watch' ? outcomes[0]!.detail : element.name}
              </span>
              <span
                className={clsx(
                  'grid gap-1.5',
                  outcomes.length > 4 ? 'grid-cols-3' : 'auto-cols-fr grid-flow-col',
                )}
              >
                {outcomes.map((one) => (
                  <button
                    key={one.id}
                    type="button"
                    aria-pressed={one.id === outcome}
                    onClick={(event) => {
                      releaseFocus(event);
                      onChoose(element.id, { outcome: one.id });
                    }}
                    className={clsx(
                      'min-h-11 rounded-[3px] border-[length:var(--stroke)] border-ink px-1.5 text-[14.5px] leading-tight font-[620] [font-stretch:90%]',
                      one.id === outcome ? 'bg-ink text-sheet' : 'bg-sheet',
                    )}
                  >
                    {one.label}
                  </button>
                ))}
              </span>
            </div>
            {element.pointing && (
              <PointPicture
                element={element}
                layout={layout}
                units={units}
                chosen={now?.spot}
                onPoint={(spot) =>
                  onChoose(element.id, { outcome: element.pointing!.outcome(spot), spot })
                }
              />
            )}
          </div>
        );
      })}
    </div>
  );
}
