'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { adviceOf, isLookedAt, type Card } from '@/core/setup';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import type { PlayerCard } from '../session/play';
import { CardSheet } from './card-sheet';
import { cardSummary } from './words';

/** The set-up card of a session in a few lines: filled from the last time, confirmed with one touch, or changed. */
export function CardLine({
  known,
  now,
  seated,
  units,
  onCard,
}: {
  known: PlayerCard;
  /** What was kept on this screen since it was opened. */
  now: Card | null;
  seated: boolean;
  units: UnitPreferences;
  onCard: (card: Card) => void;
}) {
  const t = useTranslations();
  const card = now ?? known.last?.card ?? null;
  const today = now !== null || known.today;
  const looked = card !== null && isLookedAt(card);
  const advice = looked ? adviceOf(card, seated, units) : [];
  return (
    <section aria-label={t('setup.cardLine.setUpCard')} className="grid gap-2">
      <p className="text-[1rem]">
        <strong>{t('setup.cardLine.setUp')}</strong>{' '}
        {looked ? cardSummary(card, units) : t('setup.cardLine.gripEyesAndBallHave')}{' '}
        {looked && (
          <span className="text-ink2">
            {today
              ? t('setup.cardLine.checkedToday')
              : known.last &&
                t('setup.cardLine.lastCheckedOn', {
                  date: format(new Date(known.last.at), 'd MMMM'),
                })}
          </span>
        )}
      </p>
      {advice.length > 0 && (
        <ul className="grid gap-1 text-sm">
          {advice.map(({ kind, words }) => (
            <li key={words} className={kind === 'caution' ? 'font-[620]' : 'text-ink2'}>
              {words}
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2.5">
        {looked && !today && (
          <Button className="min-h-12" onClick={() => onCard(card)}>
            {t('setup.cardLine.sameAsLastTime')}
          </Button>
        )}
        <CardSheet
          card={card}
          putters={known.putters}
          units={units}
          onKeep={onCard}
          trigger={
            <Button className="min-h-12">
              {looked ? t('setup.cardLine.changeCard') : t('setup.cardLine.fillInCard')}
            </Button>
          }
        />
      </div>
    </section>
  );
}
