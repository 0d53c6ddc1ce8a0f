'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { Button } from '@/ui/button';

/** Something the screen asks, and what can be answered. */
export interface Asked {
  words: string;
  /** Beside the keys, not instead of them. */
  small?: boolean;
  other?: { label: string; act: () => void };
  primary?: { label: string; act: () => void };
}

/** What the rule, the evidence or a pause asks of the coach. */
export function Ask({ asked, busy }: { asked: Asked; busy: boolean }) {
  const t = useTranslations();
  const { words, small, other, primary } = asked;
  return (
    <div className="grid gap-2.5" role="status" aria-label={t('session.ask.nextStep')}>
      <p className={small ? 'text-[0.96875rem] font-[600]' : 'text-[1.1875rem] font-[680]'}>
        {words}
      </p>
      <div className={clsx('grid gap-2.5', other && primary && 'grid-cols-2')}>
        {other && (
          <Button
            className={small ? 'min-h-11 text-[0.9375rem]' : 'min-h-14 text-[1.0625rem]'}
            onClick={other.act}
            disabled={busy}
          >
            {other.label}
          </Button>
        )}
        {primary && (
          <Button
            kind="primary"
            className={
              small ? 'min-h-11 text-[0.9375rem] leading-tight' : 'min-h-14 text-[1.125rem]'
            }
            onClick={primary.act}
            disabled={busy}
          >
            {primary.label}
          </Button>
        )}
      </div>
    </div>
  );
}
