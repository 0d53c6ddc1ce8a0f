'use client';

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
  const { words, small, other, primary } = asked;
  return (
    <div className="grid gap-2.5" role="status" aria-label="the rule">
      <p className={small ? 'text-[15.5px] font-[600]' : 'text-[19px] font-[680]'}>{words}</p>
      <div className={clsx('grid gap-2.5', other && primary && 'grid-cols-2')}>
        {other && (
          <Button
            className={small ? 'min-h-11 text-[15px]' : 'min-h-14 text-[17px]'}
            onClick={other.act}
            disabled={busy}
          >
            {other.label}
          </Button>
        )}
        {primary && (
          <Button
            kind="primary"
            className={small ? 'min-h-11 text-[15px] leading-tight' : 'min-h-14 text-[18px]'}
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
