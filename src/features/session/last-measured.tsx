'use client';

import { useTranslations } from 'next-intl';
import { judge, type Layout } from '@/core/layout';
import { againstBeat } from '@/core/stroke';
import type { UnitPreferences } from '@/core/units';
import { useBeat } from './beat-store';
import { beatWords, isRuled, readBy, valuesTold } from './measured-words';
import { puttWords } from './outcome-words';
import type { WirePutt } from './wire';

/** Values told at once. */
const MOST = 4;

/** What an instrument has just read, large enough to be seen from the ball; a touch opens it to be corrected. */
export function LastMeasured({
  layout,
  putt,
  units,
  onLook,
}: {
  layout: Layout;
  putt: WirePutt;
  units: UnitPreferences;
  onLook: () => void;
}) {
  const t = useTranslations();
  const told = valuesTold(putt.measured, layout.player.hand);
  const ruled = told.filter(({ id }) => isRuled(id));
  const shown = (ruled.length > 0 ? ruled : told).slice(0, MOST);
  const beat = useBeat();
  const { timeBack, timeThrough } = putt.measured;
  const happened = puttWords(t, layout, putt, units);
  return (
    <section
      aria-label={t('session.lastMeasured.lastPuttAsMeasured')}
      aria-live="polite"
      className="grid gap-1 border-b border-rule pb-1.5"
    >
      <button
        type="button"
        onClick={onLook}
        className="flex min-h-11 items-baseline justify-between gap-3 text-left"
      >
        <span className="text-[1.1875rem] font-[680]">
          {happened ? (
            <>
              <span aria-hidden>{judge(layout)(putt.outcomes) ? '● ' : '○ '}</span>
              {happened}
            </>
          ) : (
            t('session.lastMeasured.measured')
          )}
          {putt.filled.length > 0 && (
            <span className="font-[500] text-ink2"> {t('session.lastMeasured.measured2')}</span>
          )}
        </span>
        <span className="shrink-0 text-sm text-ink2">
          {readBy(putt.measured)}
          {putt.manner === 'simulated' && t('session.lastMeasured.simulated')}
        </span>
      </button>
      <dl className="flex flex-wrap gap-x-4 gap-y-1">
        {shown.map(({ id, name, words }) => (
          <div key={id} className="min-w-0">
            <dt className="truncate text-[0.8125rem] text-ink2">{name}</dt>
            <dd className="text-[1.0625rem] leading-tight num whitespace-nowrap">{words}</dd>
          </div>
        ))}
      </dl>
      {beat.runs && timeBack && timeThrough && (
        <p className="text-[1rem]">
          {t('session.lastMeasured.againstTheMetronome', {
            againstBeat: beatWords(
              t,
              againstBeat(beat, { back: timeBack.value, through: timeThrough.value }),
            ),
          })}
        </p>
      )}
      <p className="flex flex-wrap justify-between gap-x-4 text-sm text-ink2">
        {putt.filled.length > 0 && <span>{t('session.lastMeasured.notRightTapAKey')}</span>}
        {told.length > shown.length && (
          <button type="button" onClick={onLook} className="min-h-6 underline underline-offset-4">
            {t('session.lastMeasured.moreValues', { told: told.length - shown.length })}
          </button>
        )}
      </p>
    </section>
  );
}
