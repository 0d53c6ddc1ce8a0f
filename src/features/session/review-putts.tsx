'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { v4 } from 'uuid';
import type { Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { PuttList } from './putts-sheet';
import { sendEvents, wrongWith } from './send';
import { useWays } from './ways';
import type { Correction, WirePutt } from './wire';

/** Putt by putt, folded away; within the day any can be corrected. */
export function ReviewPutts({
  runId,
  layout,
  units,
  putts,
  correctable,
}: {
  runId: string;
  layout: Layout;
  units: UnitPreferences;
  putts: WirePutt[];
  correctable: boolean;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [chosen, setChosen] = useState<string | null>(null);
  const { sendTo } = useWays();
  const correct = async (puttId: string, correction: Correction) => {
    const at = new Date().toISOString();
    const event = { type: 'change' as const, id: v4(), puttId, correction, at };
    const answer = await sendEvents(sendTo(runId), [event]).catch(() => null);
    const wrong = wrongWith(t, answer);
    if (!wrong) router.refresh();
    else toast.error(wrong);
  };
  return (
    <details>
      <summary className="cursor-pointer text-[1rem] underline decoration-1 underline-offset-4">
        {t('session.reviewPutts.puttByPutt')}
        {correctable && t('session.reviewPutts.viewOrCorrect')}
      </summary>
      <PuttList
        layout={layout}
        units={units}
        putts={putts}
        chosen={chosen}
        onChoose={setChosen}
        {...(correctable && { onCorrect: (id, correction) => void correct(id, correction) })}
      />
    </details>
  );
}
