'use client';

import { X } from 'lucide-react';
import Link from 'next/link';
import { Button } from '@/ui/button';
import { passWord } from './outcome-words';
import type { Play, PlayerRun } from './play';
import { useWays } from './ways';

/** Who putts, and how the rule stands, large; and the two ways out. */
export function PlayerHead({
  player: { student, drillName, layout, rule, rung, cold, plan },
  play: { counts, progress, pace },
  busy,
  onNext,
  onFinish,
}: {
  player: PlayerRun;
  play: Play;
  busy: boolean;
  /** On to the next drill of the plan. */
  onNext: () => void;
  onFinish: () => void;
}) {
  const ways = useWays();
  const open = rule.type === 'open';
  return (
    <div className="flex items-start justify-between gap-3">
      <div className="min-w-0">
        <p className="truncate text-[16px]">
          <strong>{student.name}</strong>
          <span className="text-ink2">
            {' '}
            · {drillName}
            {rung !== null && `, rung ${rung + 1}`}
            {cold && ', cold test'}
            {plan && ` · drill ${plan.index + 1} of ${plan.count}`}
          </span>
        </p>
        <p
          className="mt-1 flex flex-wrap items-baseline gap-x-2 leading-none"
          role="status"
          aria-label="count"
        >
          <span className="text-[44px] font-[760] tracking-tight [font-stretch:84%]">
            {open ? counts.clear : progress.words.count}
          </span>
          <span className="text-[19px] font-[560] text-ink2">
            {open ? `of ${counts.putts} ${passWord(layout)}` : progress.words.of}
          </span>
        </p>
        <p className="mt-1.5 text-[15px] text-ink2">
          {open ? `${counts.streak} in a row · best ${counts.best}` : progress.words.line}
          {pace !== null && ` · ${Math.round(pace)} s a putt`}
        </p>
      </div>
      <div className="flex shrink-0 flex-col items-end gap-2">
        <Button kind="plain" onClick={onFinish} disabled={busy}>
          Finish
        </Button>
        <div className="flex items-center gap-3">
          <Button asChild kind="quiet" className="min-h-8 px-1 text-sm text-ink2">
            <Link href={ways.player(student.id)}>
              <X size={15} aria-hidden /> leave open
            </Link>
          </Button>
          {plan?.next && (
            <Button
              kind="quiet"
              className="min-h-8 max-w-[132px] min-w-0 px-1 text-sm md:max-w-[240px]"
              onClick={onNext}
              disabled={busy}
            >
              <span className="truncate">Next: {plan.next}</span>
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}
