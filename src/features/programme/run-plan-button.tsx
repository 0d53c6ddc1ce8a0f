'use client';

import { useTranslations } from 'next-intl';
import { Play } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { runPlan } from './actions';

/** A plan, one touch from being run. */
export function RunPlanButton({
  id,
  name,
  kind = 'plain',
  words,
}: {
  id: string;
  name?: string;
  kind?: 'plain' | 'primary';
  words?: string;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  return (
    <Button
      kind={kind}
      disabled={busy}
      aria-label={name && t('programme.runPlanButton.start2', { name })}
      onClick={() =>
        begin(async () => {
          const result = await runPlan(id);
          if (showErrors(result)) router.push(`/sessions/${result.value}`);
        })
      }
    >
      <Play size={17} aria-hidden /> {words ?? t('programme.runPlanButton.start')}
    </Button>
  );
}
