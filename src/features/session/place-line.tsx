'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { MANNERS, mannerWords, type Made, type Manner } from '@/core/drill';
import { FALLS, PUTT_RANGE, isLevel } from '@/core/green';
import {
  stationCount,
  stationNamed,
  stationPlace,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import { DEGREE, showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { LengthInput, useWrong } from '@/ui/parsed-input';
import { Pick } from '@/ui/pick';
import { SheetDialog } from '@/ui/sheet-dialog';
import { useSpoken } from './cues';
import { asksRead } from './last-read';
import { ordinal, placeWords } from './place-words';

/** Where the next putt is made and how, large; touched, it can be set right. */
export function PlaceLine({
  layout,
  next,
  manners,
  units,
  spoken,
  onPlace,
  onManner,
}: {
  layout: Layout;
  next: Made;
  /** As the drill has them. */
  manners: readonly Manner[];
  units: UnitPreferences;
  /** Said aloud whenever it changes. */
  spoken: boolean;
  onPlace: (place: PuttPlace) => void;
  onManner: (manner: Manner) => void;
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const where = placeWords(t, layout, next.place, units, asksRead(layout));
  const asked = mannerWords(manners, next.number);
  const changed = next.manner !== (manners[next.number % Math.max(1, manners.length)] ?? 'usual');
  const how = changed ? MANNERS[next.manner].label : asked;
  const words = [where ?? showLength(layout.putt.distance, 'putt', units), how]
    .filter(Boolean)
    .join(' · ');
  useSpoken(words, spoken);
  return (
    <SheetDialog
      returnsFocus={false}
      title={t('session.placeLine.nextPutt')}
      sub={t('session.placeLine.whereItIsFromAnd')}
      open={open}
      onOpen={setOpen}
      trigger={
        <button
          type="button"
          aria-label={t('session.placeLine.nextPuttChangeIt', { words })}
          className="min-h-11 min-w-0 py-1.5 text-left text-[1.125rem] leading-[1.35] font-[680] underline decoration-rule decoration-2 underline-offset-[5px]"
        >
          {words}
        </button>
      }
    >
      <PlaceFields
        layout={layout}
        units={units}
        place={next.place}
        manner={next.manner}
        onPlace={onPlace}
        onManner={onManner}
      />
      <Button kind="primary" className="mt-5 min-h-12 w-full" onClick={() => setOpen(false)}>
        {t('session.placeLine.done')}
      </Button>
    </SheetDialog>
  );
}

/** Where round the hole a ball lies, by how the green falls seen from it. */
const BEARINGS = FALLS.map(({ name, degrees }) => ({ value: String(degrees), label: name }));

/** Where a putt is made and how: the station, or any spot, and the stroke. */
export function PlaceFields({
  layout,
  units,
  place,
  manner,
  onPlace,
  onManner,
}: {
  layout: Layout;
  units: UnitPreferences;
  place: PuttPlace;
  manner: Manner;
  onPlace: (place: PuttPlace) => void;
  onManner: (manner: Manner) => void;
}) {
  const t = useTranslations();
  const { putt } = layout;
  const [, onWrong] = useWrong();
  const count = stationCount(layout);
  const spot = place.spot ?? { distance: putt.distance, bearing: 0 };
  const falls = putt.slope.falls - spot.bearing;
  const named = FALLS.find(
    ({ degrees }) => Math.cos(degrees * DEGREE - falls) > Math.cos(22.5 * DEGREE),
  );
  return (
    <div className="mt-4 grid gap-4">
      {count > 1 && (
        <Pick
          label={t('session.placeLine.spot')}
          placeholder={t('session.placeLine.chooseASpot')}
          options={Array.from({ length: count }, (_, index) => ({
            value: String(index),
            label: t('session.placeLine.of', { ordinal: ordinal(index + 1), count }),
            detail: stationNamed(layout, index) ?? undefined,
          }))}
          value={place.again > 0 ? '' : String(place.station % count)}
          onChange={(value) => onPlace(stationPlace(layout, Number(value)))}
        />
      )}
      <LengthInput
        name="distance"
        label={t('session.placeLine.distanceFromTheHole')}
        what={t('session.placeLine.aPutt')}
        value={spot.distance}
        kind="putt"
        units={units}
        {...PUTT_RANGE}
        onWrong={onWrong}
        onValue={(distance) => {
          onPlace({ ...place, spot: { ...spot, distance } });
          return null;
        }}
        hint={
          place.spot
            ? undefined
            : t('session.placeLine.noDistanceRecordedIsUsed', {
                distance: showLength(putt.distance, 'putt', units),
              })
        }
      />
      {!isLevel(putt) && (
        <Pick
          label={t('session.placeLine.fallDirectionFromThere')}
          placeholder={t('session.placeLine.choose')}
          options={BEARINGS}
          value={named ? String(named.degrees) : ''}
          onChange={(value) => {
            const turned = putt.slope.falls - Number(value) * DEGREE;
            const bearing = Math.atan2(Math.sin(turned), Math.cos(turned));
            onPlace({ ...place, spot: { ...spot, bearing } });
          }}
        />
      )}
      <Pick
        label={t('session.placeLine.stroke')}
        placeholder={t('session.placeLine.choose')}
        options={Object.entries(MANNERS)
          .filter(([id]) => id !== 'simulated')
          .map(([value, { label, about }]) => ({
            value,
            label,
            detail: about,
          }))}
        value={manner}
        onChange={(value) => onManner(value as Manner)}
      />
    </div>
  );
}
