'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { X } from 'lucide-react';
import { Link } from '@/ui/link';
import { ruleTraits } from '@/core/drill';
import { Button } from '@/ui/button';
import { passWord } from './outcome-words';
import type { Play, PlayerRun } from './play';
import { useWays } from './ways';

/** Who putts, and how the rule stands, large; and the two ways out. */
export function PlayerHead({
  player: { student, drillName, layout, rule, rung, cold, plan },
  play: { counts, progress, pace },
  busy,
  shape,
  onNext,
  onFinish,
}: {
  player: PlayerRun;
  play: Play;
  busy: boolean;
  /** Above the picture, in one row where there is little height, or beside the picture with room to spare. */
  shape: 'above' | 'row' | 'beside';
  /** On to the next drill of the plan. */
  onNext: () => void;
  onFinish: () => void;
}) {
  const t = useTranslations();
  const ways = useWays();
  const open = ruleTraits(rule).free;
  const row = shape === 'row';
  return (
    <div className={clsx('flex justify-between gap-3', row ? 'items-center' : 'items-start')}>
      <div className={clsx('min-w-0', row && 'flex items-baseline gap-4')}>
        <p
          className={clsx(
            'text-[1rem]',
            { above: 'line-clamp-2 leading-tight', row: 'truncate', beside: '' }[shape],
          )}
        >
          <strong>{student.name}</strong>
          <span className="text-ink2">
            {' '}
            · {drillName}
            {rung !== null && t('session.playerHead.rung', { rung: rung + 1 })}
            {cold && t('session.playerHead.coldTest')}
            {plan && t('session.playerHead.drillOf', { index: plan.index + 1, count: plan.count })}
          </span>
        </p>
        <p
          className={clsx(
            'flex items-baseline gap-x-2 leading-none',
            row ? 'shrink-0' : 'mt-1 flex-wrap',
          )}
          role="status"
          aria-label={t('session.playerHead.count')}
        >
          <span
            className={clsx(
              'font-[760] tracking-tight [font-stretch:84%]',
              { above: 'text-[2.75rem]', row: 'text-[1.875rem]', beside: 'text-[5.5rem]' }[shape],
            )}
          >
            {open ? counts.clear : progress.words.count}
          </span>
          <span className="text-[1.1875rem] font-[560] text-ink2">
            {open
              ? t('session.playerHead.of', { seen: counts.seen, passWord: passWord(layout) })
              : progress.words.of}
          </span>
        </p>
        <p className={clsx('text-[0.9375rem] text-ink2', row ? 'hidden' : 'mt-1.5')}>
          {open
            ? t('session.playerHead.inARowBest', { streak: counts.streak, best: counts.best })
            : progress.words.line}
          {pace !== null && t('session.playerHead.sPerPutt', { pace: Math.round(pace) })}
        </p>
      </div>
      <div className={clsx('flex shrink-0 gap-2', row ? 'flex-row-reverse' : 'flex-col items-end')}>
        <Button kind="plain" onClick={onFinish} disabled={busy}>
          {t('session.playerHead.finish')}
        </Button>
        <div className="flex items-center gap-3">
          {ways.head}
          <Button asChild kind="quiet" className="min-h-11 px-1 text-sm text-ink2">
            <Link
              href={ways.player(student.id)}
              onClick={(event) => {
                // With no server the framework cannot go there.
                if (!ways.apart) return;
                event.preventDefault();
                ways.apart.go(ways.player(student.id));
              }}
            >
              <X size={15} aria-hidden /> {t('session.playerHead.finishLater')}
            </Link>
          </Button>
          {plan?.next && (
            <Button
              kind="quiet"
              className="min-h-11 max-w-[132px] min-w-0 px-1 text-sm md:max-w-[240px]"
              onClick={onNext}
              disabled={busy}
            >
              <span className="truncate">{t('session.playerHead.next', { next: plan.next })}</span>
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}
