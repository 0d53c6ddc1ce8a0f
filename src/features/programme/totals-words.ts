import type { Translate } from '@/words/translate';
import { MOST_PUTTS_AN_HOUR, REST, type Totals } from '@/core/planning';

const many = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** A share as a coach says it: "3 in 10"; one next to none or to all is not said to be that. */
export function tenths(t: Translate, share: number): string {
  if (share < 0.05) return t('programme.totalsWords.fewerThan1In10');
  return share > 0.95
    ? t('programme.totalsWords.moreThan9In10')
    : t('programme.totalsWords.in10', { share: Math.round(10 * share) });
}

/** The same within a sentence: "about 3 in 10", "fewer than 1 in 10". */
export function aboutTenths(t: Translate, share: number): string {
  const said = tenths(t, share);
  return /^\d/.test(said) ? t('programme.totalsWords.about', { said }) : said;
}

/** By when nine times in ten a block is done. */
export const lateWords = (minutes: number): string =>
  `90 % chance of finishing within ${Math.round(minutes)} min`;

/** What a plan amounts to, in a line. */
export const totalsWords = ({ median, late, putts, rests }: Totals): string =>
  [
    `${Math.round(median)} minutes, 90 % chance of finishing within ${Math.round(late)}`,
    `${many(Math.round(putts), 'putt')} bent over`,
    rests > 0 && `${many(rests, 'break')} of ${many(REST.lasts, 'minute')} to stand up`,
  ]
    .filter(Boolean)
    .join(' · ');

/** What must be said of a plan as a whole. */
export function totalsWarnings(
  t: Translate,
  { median, late, tooMany }: Totals,
  minutes: number,
): string[] {
  const over = Math.round(late - minutes);
  return [
    median > minutes &&
      t('programme.totalsWords.itWillTakeAboutMinutes', {
        median: Math.round(median),
        median2: Math.round(median - minutes),
      }),
    median <= minutes &&
      over > 0 &&
      t('programme.totalsWords.thereIsA1In', { many: many(over, 'minute') }),
    tooMany && t('programme.totalsWords.moreThanPuttsAnHour', { most: MOST_PUTTS_AN_HOUR }),
  ].filter((words): words is string => typeof words === 'string');
}
