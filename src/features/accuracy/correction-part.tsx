'use client';

import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import type { Corrected } from '@/core/planning';
import { showErrors } from '../shared/show-errors';
import { setCorrection } from './actions';

/** Whether forecasts are corrected by how they have turned out, and the button that changes it. */
export function CorrectionPart({ found, on }: { found: Corrected | null; on: boolean }) {
  const router = useRouter();
  const [busy, run] = useTransition();
  const change = () =>
    run(async () => {
      if (showErrors(await setCorrection({ on: !on }))) router.refresh();
    });
  return (
    <section aria-label="Correction" className="grid justify-items-start gap-2">
      <h2 className="cap">Correction</h2>
      <p className="max-w-[60ch] text-[1rem]">{words(found, on)}</p>
      {(on || found?.helps) && (
        <Button className="min-h-12" disabled={busy} onClick={change}>
          {on ? 'Stop correcting forecasts' : 'Correct forecasts'}
        </Button>
      )}
    </section>
  );
}

function words(found: Corrected | null, on: boolean): string {
  if (on) {
    return 'Pass rates, the next gate and drill times are corrected. The figures on this page are uncorrected.';
  }
  if (!found) return 'Forecasts can be corrected after 60 drills.';
  return found.helps
    ? `On ${found.drills} drills, corrected forecasts were clearly better. Each was judged with a correction learnt from the other drills.`
    : `On ${found.drills} drills, corrected forecasts were not clearly better. Nothing needs to be corrected.`;
}
