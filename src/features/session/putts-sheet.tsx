'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { format } from '@/ui/when';
import { useState } from 'react';
import { MANNERS } from '@/core/drill';
import { judge, layoutAt, loggedElements, type Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { NotesField } from '@/ui/field';
import { measuredWords } from './measured-words';
import { MoreTouch } from './more-touch';
import { puttWords } from './outcome-words';
import { PlaceFields } from './place-line';
import { placeWords } from './place-words';
import { puttOf, type Seen } from './seen';
import { SheetDialog } from '@/ui/sheet-dialog';
import type { Correction, WirePutt } from './wire';

/** All putts of a run, the newest first: any can be corrected, noted, or left out of the count. */
export function PuttsSheet({
  layout,
  units,
  putts,
  open,
  onOpen,
  onCorrect,
}: {
  layout: Layout;
  units: UnitPreferences;
  putts: WirePutt[];
  open: boolean;
  onOpen: (open: boolean) => void;
  onCorrect: (puttId: string, correction: Correction) => void;
}) {
  const t = useTranslations();
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <SheetDialog
      returnsFocus={false}
      title={
        putts.length === 1
          ? t('session.puttsSheet.onePutt')
          : t('session.puttsSheet.putts', { putts: putts.length })
      }
      sub={t('session.puttsSheet.tapOneToCorrectIt')}
      open={open}
      onOpen={onOpen}
    >
      <PuttList
        layout={layout}
        units={units}
        putts={putts}
        chosen={chosen}
        onChoose={setChosen}
        onCorrect={onCorrect}
      />
    </SheetDialog>
  );
}

/** Putts, the newest first, each opening to be corrected. */
export function PuttList({
  layout,
  units,
  putts,
  chosen,
  onChoose,
  onCorrect,
}: {
  layout: Layout;
  units: UnitPreferences;
  putts: WirePutt[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
  /** Left out where nothing may be corrected any more. */
  onCorrect?: (puttId: string, correction: Correction) => void;
}) {
  const t = useTranslations();
  const passes = judge(layout);
  return (
    <ol className="mt-2">
      {putts
        .map((putt, index) => ({ putt, number: index + 1 }))
        .reverse()
        .map(({ putt, number }) => {
          const words = puttWords(t, layout, putt, units);
          const read = measuredWords(putt.measured, layout.player.hand);
          const line = (
            <>
              <span className="w-8 shrink-0 text-right num text-ink2">{number}</span>
              <span aria-hidden className="w-4 shrink-0 text-center">
                {putt.leftOut || passes(putt.outcomes) === null
                  ? '–'
                  : passes(putt.outcomes)
                    ? '●'
                    : '○'}
              </span>
              <span className={clsx('min-w-0 flex-1', putt.leftOut && 'line-through')}>
                {words || (read ? '' : t('session.puttsSheet.nothingRecorded'))}
                {read && (
                  <span className="block text-sm text-ink2">
                    {putt.filled.length > 0 && t('session.puttsSheet.measured')}
                    {read}
                  </span>
                )}
                {putt.leftOut && (
                  <span className="sr-only">{t('session.puttsSheet.notCounted')}</span>
                )}
                {putt.note && <em className="block text-sm text-ink2">“{putt.note}”</em>}
              </span>
              <span className="shrink-0 text-sm num text-ink2">{format(putt.at, 'HH:mm:ss')}</span>
            </>
          );
          return (
            <li key={putt.id} className="border-b border-hair last:border-0">
              {onCorrect ? (
                <button
                  type="button"
                  aria-expanded={chosen === putt.id}
                  onClick={() => onChoose(chosen === putt.id ? null : putt.id)}
                  className="flex min-h-11 w-full items-center gap-2.5 text-left text-[1rem]"
                >
                  {line}
                </button>
              ) : (
                <div className="flex min-h-11 items-center gap-2.5 text-[1rem]">{line}</div>
              )}
              {onCorrect && chosen === putt.id && (
                <Correcting
                  layout={layout}
                  units={units}
                  putt={putt}
                  onCorrect={(correction) => {
                    onCorrect(putt.id, correction);
                    onChoose(null);
                  }}
                />
              )}
            </li>
          );
        })}
    </ol>
  );
}

function Correcting({
  layout,
  units,
  putt,
  onCorrect,
}: {
  layout: Layout;
  units: UnitPreferences;
  putt: WirePutt;
  onCorrect: (correction: Correction) => void;
}) {
  const t = useTranslations();
  const [place, setPlace] = useState(putt.place);
  const [manner, setManner] = useState(putt.manner);
  const there = layoutAt(layout, place) ?? layout;
  const { primary, others } = loggedElements(there);
  const elements = [...(primary ? [primary] : []), ...others];
  const [seen, setSeen] = useState<Seen>(() =>
    Object.fromEntries(
      Object.entries(putt.outcomes).map(([id, outcome]) => [
        id,
        { outcome, ...(putt.points[id] && { spot: putt.points[id] }) },
      ]),
    ),
  );
  const [note, setNote] = useState(putt.note);
  return (
    <div className="mb-3 grid gap-3 border-l-[3px] border-ink py-1 pl-3">
      <MoreTouch
        elements={elements}
        layout={there}
        units={units}
        seen={seen}
        pictures
        onSeen={setSeen}
      />
      <details>
        <summary className="min-h-11 cursor-pointer text-[0.9375rem] underline underline-offset-4">
          {placeWords(t, layout, place, units) ?? t('session.puttsSheet.fromTheBallMarker')} ·{' '}
          {MANNERS[manner].label}
        </summary>
        <PlaceFields
          layout={layout}
          units={units}
          place={place}
          manner={manner}
          onPlace={setPlace}
          onManner={setManner}
        />
      </details>
      <NotesField
        label={t('session.puttsSheet.note')}
        rows={2}
        maxLength={300}
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => onCorrect({ leftOut: !putt.leftOut })}>
          {putt.leftOut
            ? t('session.puttsSheet.countThisPutt')
            : t('session.puttsSheet.doNotCountThisPutt')}
        </Button>
        <Button
          kind="primary"
          onClick={() => onCorrect({ ...puttOf(seen), place, manner, note })}
          disabled={Object.keys(seen).length === 0}
        >
          {t('session.puttsSheet.saveCorrection')}
        </Button>
      </div>
    </div>
  );
}
