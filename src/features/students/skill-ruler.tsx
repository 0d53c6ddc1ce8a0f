import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import type { Hand } from '@/core/people';
import { quantityOf } from '@/core/quantity';
import type { Change, Score } from '@/core/scoring';
import { Ruler } from '@/ui/ruler';
import {
  nameOf,
  biasOf,
  centreOf,
  changeWords,
  endsOf,
  ruledBias,
  showAmount,
  showInterval,
  type Ruled,
} from './skill-words';

/**
 * How far the rulers of several skills reach, in good windows, so that equal lengths are equal shares of what is good enough.
 *
 * @param scores of the skills that are shown
 */
export const sharedReach = (scores: readonly (readonly [skill: Ruled, score: Score])[]): number =>
  Math.max(
    1,
    ...scores.map(([skill, { window, bias }]) => {
      const ruled = ruledBias(skill, bias);
      return (
        Math.max(window.high, Math.abs(ruled.low), Math.abs(ruled.high)) /
        quantityOf(skill).good.window
      );
    }),
  );

/** One skill of a player on its ruler; where no putt speaks of it, what would. */
export function SkillRuler({
  skill,
  score,
  putts,
  change,
  hand,
  name = nameOf(skill),
  href,
  reach,
  folds,
}: {
  skill: Ruled;
  score: Score;
  /** Putts that speak of it. */
  putts: number;
  /** Since the first session; null with one alone. */
  change: Change | null;
  hand: Hand;
  /** What stands before the ruler: the skill, unless several of one skill are compared. */
  name?: string;
  /** Where it leads to what it rests on. */
  href?: string;
  /** Half of the ruler in good windows at least, so that rulers below each other can be compared. */
  reach?: number;
  /** One line that opens to the rest, for a phone alone. */
  folds?: true;
}) {
  const t = useTranslations();
  if (putts === 0) {
    const { words, drill } = quantityOf(skill).told;
    return (
      <section className="flex flex-wrap items-baseline gap-x-6 gap-y-1 bg-sheet px-5 py-4 md:px-7">
        <h2 className="w-[130px] text-[1.25rem] leading-tight num text-ink2">{name}</h2>
        <p className="text-[1rem] text-ink2">
          {t('students.skillRuler.noDataYetThisNeeds', { words })}{' '}
          {drill && (
            <Link href={`/drills/${drill}`} className="underline underline-offset-4">
              {t('students.skillRuler.viewDrill')}
            </Link>
          )}
        </p>
      </section>
    );
  }
  const { good, ruled } = quantityOf(skill);
  const told = biasOf(skill, score, hand);
  return (
    <Ruler
      name={name}
      href={href}
      reach={reach}
      folds={folds}
      centre={centreOf(skill)}
      basis={t('students.skillRuler.putts', { putts })}
      window={score.window}
      bias={ruledBias(skill, score.bias)}
      good={{
        window: good.window,
        label: t(ruled ? 'students.skillRuler.goodFor8Ft' : 'students.skillRuler.good'),
      }}
      ends={endsOf(skill, hand)}
      value={`±${showAmount(skill, score.window.middle)}`}
      interval={showInterval(skill, score.window)}
      words={[`${told.words} (${told.interval})`, change && changeWords(change)]
        .filter(Boolean)
        .join('; ')}
    />
  );
}
