'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { ChevronRight } from 'lucide-react';
import { Button } from '@/ui/button';

/** Putts of a turn before the next player comes to the front. */
export type Every = 'by hand' | 1 | 3 | 5 | 10;
const TURNS: Every[] = ['by hand', 1, 3, 5, 10];

/** Who putts, how each stands, and who is next: one touch. */
export function Rotation({
  players,
  front,
  every,
  words,
  onEvery,
  onFront,
}: {
  players: { id: string; name: string; points: number }[];
  front: number;
  every: Every;
  /** How the game stands. */
  words: string;
  onEvery: (every: Every) => void;
  onFront: (index: number) => void;
}) {
  const t = useTranslations();
  const next = players[(front + 1) % players.length]!;
  return (
    <nav aria-label={t('session.rotation.students')} className="grid gap-1.5">
      <div className="flex items-stretch gap-2">
        <div className="flex min-w-0 flex-1 overflow-x-auto rounded-[3px] border-[length:var(--stroke)] border-ink">
          {players.map(({ id, name, points }, index) => (
            <button
              key={id}
              type="button"
              aria-current={index === front}
              onClick={() => onFront(index)}
              className={clsx(
                'min-h-11 flex-1 border-l border-ink px-2 text-[0.9375rem] leading-tight font-[640] whitespace-nowrap [font-stretch:88%] first:border-l-0',
                index === front ? 'bg-ink text-sheet' : 'bg-sheet',
              )}
            >
              {name} <span className="num">{points}</span>
            </button>
          ))}
        </div>
        <Button
          kind="primary"
          className="min-h-11 shrink-0 px-3 text-[0.9375rem]"
          onClick={() => onFront(front + 1)}
        >
          {next.name} <ChevronRight size={18} aria-hidden />
          <span className="sr-only"> {t('session.rotation.isNext')}</span>
        </Button>
      </div>
      <div className="flex items-center justify-between gap-3 text-sm text-ink2">
        <p className="min-w-0 truncate" role="status" aria-label={t('session.rotation.standings')}>
          {words}
        </p>
        <label className="flex shrink-0 items-center gap-1.5">
          {t('session.rotation.nextStudent')}
          <select
            value={every}
            onChange={({ target }) =>
              onEvery(TURNS.find((one) => String(one) === target.value) ?? 'by hand')
            }
            className="min-h-11 rounded-[3px] border border-ink bg-sheet px-1 text-ink"
          >
            {TURNS.map((turn) => (
              <option key={turn} value={turn}>
                {turn === 'by hand'
                  ? turn
                  : turn === 1
                    ? t('session.rotation.afterEachPutt')
                    : t('session.rotation.afterPutts', { turn })}
              </option>
            ))}
          </select>
        </label>
      </div>
    </nav>
  );
}
