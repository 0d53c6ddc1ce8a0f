'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { useState } from 'react';
import type { Layout, Spot, Standing } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { releaseFocus } from '@/ui/release-focus';
import { SheetDialog } from '@/ui/sheet-dialog';
import { FacePicture } from './face-picture';
import { FinishPicture } from './finish-picture';
import { bySides } from './keys';
import { ReadPicture } from './read-picture';
import { RoutineClock } from './routine-clock';
import { pointAt, touchOutcome, type Seen } from './seen';

/** The picture of an element that can be pointed at. */
export function PointPicture({
  element,
  layout,
  units,
  chosen,
  className,
  onPoint,
}: {
  element: Standing;
  layout: Layout;
  units: UnitPreferences;
  chosen?: Spot;
  className?: string;
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
          className={className}
        />
      );
    case 'green':
      return (
        <FinishPicture
          layout={layout}
          units={units}
          chosen={chosen}
          onPoint={onPoint}
          className={className}
        />
      );
    case 'read':
      return (
        <ReadPicture layout={layout} chosen={chosen} onPoint={onPoint} className={className} />
      );
    default:
      return null;
  }
}

/**
 * What can have happened at some elements, each a row of keys; nothing is pressed beforehand, and what is pressed again is
 * taken back.
 */
export function MoreTouch({
  elements,
  layout,
  units,
  seen,
  pictures = false,
  onSeen,
}: {
  elements: readonly Standing[];
  layout: Layout;
  units: UnitPreferences;
  seen: Seen;
  /** With the pictures that can be pointed at, where no larger one stands beside them. */
  pictures?: boolean;
  onSeen: (seen: Seen) => void;
}) {
  return (
    <div className="grid gap-1.5">
      {elements.map((element) => {
        const outcomes = element.outcomes();
        const now = seen[element.id];
        const sides = element.traits.asksRead && bySides(outcomes);
        return (
          <div key={element.id} className="grid gap-1.5">
            <div
              role="group"
              aria-label={element.name}
              className="grid grid-cols-[72px_minmax(0,1fr)] items-center gap-2"
            >
              <span className="cap leading-tight">{element.asks}</span>
              <span
                className={clsx(
                  'grid gap-1.5',
                  sides
                    ? 'grid-cols-4'
                    : outcomes.length > 4
                      ? 'grid-cols-3'
                      : 'auto-cols-fr grid-flow-col',
                )}
              >
                {(sides || outcomes).map((one) => (
                  <button
                    key={one.id}
                    type="button"
                    aria-pressed={one.id === now?.outcome}
                    onClick={(event) => {
                      releaseFocus(event);
                      onSeen(touchOutcome(layout, seen, element, one.id));
                    }}
                    className={clsx(
                      'min-h-11 rounded-[3px] border-[length:var(--stroke)] border-ink px-1 text-[0.90625rem] leading-tight font-[620] [font-stretch:90%]',
                      one.id === now?.outcome ? 'bg-ink text-sheet' : 'bg-sheet',
                      sides && one.side === 'middle' && 'col-span-4',
                    )}
                  >
                    {one.label}
                  </button>
                ))}
              </span>
            </div>
            {element.pointing?.on === 'read' && (
              <ShowRead
                layout={layout}
                chosen={now?.spot}
                onPoint={(spot) => onSeen(pointAt(layout, seen, element, spot))}
              />
            )}
            {element.pointing?.on === 'clock' && (
              <RoutineClock
                seconds={now?.spot?.along}
                most={element.pointing.within.along}
                onStop={(along) => onSeen(pointAt(layout, seen, element, { along, across: 0 }))}
              />
            )}
            {pictures && (element.pointing?.on === 'face' || element.pointing?.on === 'green') && (
              <PointPicture
                element={element}
                layout={layout}
                units={units}
                chosen={now?.spot}
                onPoint={(spot) => onSeen(pointAt(layout, seen, element, spot))}
              />
            )}
          </div>
        );
      })}
    </div>
  );
}

/** The read shown on a picture instead of said in cups: it comes up over the keys, which have the room. */
function ShowRead({
  layout,
  chosen,
  onPoint,
}: {
  layout: Layout;
  chosen?: Spot;
  onPoint: (spot: Spot) => void;
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title={t('session.moreTouch.whereDoesTheBallStart')}
      sub={t('session.moreTouch.tapTheSpotItHas')}
      open={open}
      onOpen={setOpen}
      returnsFocus={false}
      trigger={
        <Button className="min-h-11" onClick={releaseFocus}>
          {chosen
            ? t('session.moreTouch.markedOnThePicture')
            : t('session.moreTouch.markItOnAPicture')}
        </Button>
      }
    >
      <ReadPicture
        layout={layout}
        chosen={chosen}
        className="mt-3 h-[46dvh]"
        onPoint={(spot) => {
          onPoint(spot);
          setOpen(false);
        }}
      />
    </SheetDialog>
  );
}
