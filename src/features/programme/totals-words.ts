import { MOST_PUTTS_AN_HOUR, REST, type Totals } from '@/core/planning';

const many = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** A share as a coach says it: "3 in 10"; one next to none or to all is not said to be that. */
export function tenths(share: number): string {
  if (share < 0.05) return 'fewer than 1 in 10';
  return share > 0.95 ? 'more than 9 in 10' : `${Math.round(10 * share)} in 10`;
}

/** The same within a sentence: "about 3 in 10", "fewer than 1 in 10". */
export function aboutTenths(share: number): string {
  const said = tenths(share);
  return /^\d/.test(said) ? `about ${said}` : said;
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
export function totalsWarnings({ median, late, tooMany }: Totals, minutes: number): string[] {
  const over = Math.round(late - minutes);
  return [
    median > minutes &&
      `It will take about ${Math.round(median)} minutes, ${Math.round(median - minutes)} more than you asked for.`,
    median <= minutes &&
      over > 0 &&
      `There is a 1 in 10 chance that it runs over by ${many(over, 'minute')} or more. Agree which drill to drop first.`,
    tooMany &&
      `More than ${MOST_PUTTS_AN_HOUR} putts an hour is too long to spend bent over. Take a drill out, or sit down between drills.`,
  ].filter((words): words is string => typeof words === 'string');
}
