'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import type { Corrected } from '@/core/planning';
import { showErrors } from '../shared/show-errors';
import { setCorrection } from './actions';

/** Whether forecasts are corrected by how they have turned out, and the button that changes it. */
export function CorrectionPart({ found, on }: { found: Corrected | null; on: boolean }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  const change = () =>
    run(async () => {
      if (showErrors(await setCorrection({ on: !on }))) router.refresh();
    });
  return (
    <section
      aria-label={t('accuracy.correctionPart.correction')}
      className="grid justify-items-start gap-2"
    >
      <h2 className="cap">{t('accuracy.correctionPart.correction')}</h2>
      <p className="max-w-[60ch] text-[1rem]">{words(t, found, on)}</p>
      {(on || found?.helps) && (
        <Button className="min-h-12" disabled={busy} onClick={change}>
          {on
            ? t('accuracy.correctionPart.stopCorrectingForecasts')
            : t('accuracy.correctionPart.correctForecasts')}
        </Button>
      )}
    </section>
  );
}

function words(t: Translate, found: Corrected | null, on: boolean): string {
  if (on) {
    return t('accuracy.correctionPart.passRatesTheNextGate');
  }
  if (!found) return t('accuracy.correctionPart.forecastsCanBeCorrectedAfter');
  return found.helps
    ? t('accuracy.correctionPart.onDrillsCorrectedForecastsWere', { drills: found.drills })
    : t('accuracy.correctionPart.onDrillsCorrectedForecastsWere2', { drills: found.drills });
}
