'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { v4 } from 'uuid';
import type { Manner } from '@/core/drill';
import { Button } from '@/ui/button';
import { sendEvents, wrongWith } from './send';
import { useWays } from './ways';

/** Marks all putts of a run as practice strokes, which do not count towards a score; or as struck as usual again. */
export function PracticeButton({
  runId,
  putts,
}: {
  runId: string;
  putts: { id: string; manner: Manner }[];
}) {
  const t = useTranslations();
  const router = useRouter();
  const { sendTo } = useWays();
  const [busy, work] = useTransition();
  const practice = putts.every(({ manner }) => manner === 'practice');
  const manner: Manner = practice ? 'usual' : 'practice';
  const mark = () =>
    work(async () => {
      const at = new Date().toISOString();
      const answer = await sendEvents(
        sendTo(runId),
        putts.map(({ id }) => ({
          type: 'change' as const,
          id: v4(),
          puttId: id,
          correction: { manner },
          at,
        })),
      ).catch(() => null);
      const wrong = wrongWith(t, answer);
      if (!wrong) router.refresh();
      else toast.error(wrong);
    });
  return (
    <Button className="w-fit" onClick={mark} disabled={busy || putts.length === 0}>
      {practice
        ? t('session.practiceButton.countAllAsUsualStrokes')
        : t('session.practiceButton.markAllAsPracticeStrokes')}
    </Button>
  );
}
