import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import type { Hand } from '@/core/people';
import { quantityOf, shownUnit } from '@/core/quantity';
import type { Estimate, Score } from '@/core/scoring';
import { CopyButton } from '@/ui/copy-button';
import { nameOf, biasOf, showAmount, showInterval, type Ruled } from './skill-words';
import { Term } from '../shared/term';
import { ColumnHead } from '@/ui/column-head';

/** Scores of one skill below each other, every number with the interval that holds it eight times in ten. */
export function SkillTable({
  skill,
  hand,
  rows,
}: {
  skill: Ruled;
  hand: Hand;
  rows: {
    name: string;
    /** The putts it rests on, one by one. */
    href?: string | null;
    putts?: number;
    score: Score;
  }[];
}) {
  const t = useTranslations();
  const amount = (estimate: Estimate) => (
    <>
      <span className="num">{showAmount(skill, estimate.middle)}</span>{' '}
      <span className="text-sm whitespace-nowrap text-ink2">{showInterval(skill, estimate)}</span>
    </>
  );
  const { si, symbol } = shownUnit(quantityOf(skill).dimension);
  const unit = symbol.trim() || 'number';
  const parts = (['window', 'bias', 'spread'] as const).flatMap((what) =>
    (['low', 'middle', 'high'] as const).map((end) => ({ what, end })),
  );
  const plain = [
    ['from', 'putts', ...parts.map(({ what, end }) => `${what} ${end} (${unit})`)],
    ...rows.map(({ name, putts, score }) => [
      name,
      putts ?? '',
      ...parts.map(({ what, end }) => (score[what][end] / si).toPrecision(5)),
    ]),
  ]
    .map((row) => row.join('\t'))
    .join('\n');
  return (
    <div
      className="overflow-x-auto"
      role="group"
      aria-label={t('students.skillTable.inNumbers', { skill: nameOf(skill) })}
      tabIndex={0}
    >
      <table className="w-full max-w-4xl min-w-[600px] text-[0.9375rem]">
        <caption className="pb-1 text-left cap">
          {t('students.skillTable.eachNumberFollowedByIts', { skill: nameOf(skill) })}
        </caption>
        <thead>
          <tr className="border-b text-left cap">
            <ColumnHead className="pr-4">{t('students.skillTable.from')}</ColumnHead>
            <ColumnHead className="pr-4 text-right">{t('students.skillTable.putts')}</ColumnHead>
            <ColumnHead className="pr-4">
              {t('students.skillTable.n8In10')} <Term name="window" />
            </ColumnHead>
            <ColumnHead className="pr-4">
              <Term name="bias" />
            </ColumnHead>
            <ColumnHead>
              <Term name="spread" />
            </ColumnHead>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, href, putts, score }) => {
            const bias = biasOf(skill, score, hand);
            return (
              <tr key={name} className="border-b border-hair align-baseline">
                <td className="py-1.5 pr-4">
                  {href ? (
                    <Link href={href} className="underline decoration-1 underline-offset-4">
                      {name}
                    </Link>
                  ) : (
                    name
                  )}
                </td>
                <td className="py-1.5 pr-4 text-right num">{putts ?? ''}</td>
                <td className="py-1.5 pr-4">±{amount(score.window)}</td>
                <td className="py-1.5 pr-4">
                  <span className="num">{bias.words}</span>{' '}
                  <span className="text-sm whitespace-nowrap text-ink2">{bias.interval}</span>
                </td>
                <td className="py-1.5">{amount(score.spread)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="py-2">
        <CopyButton text={plain} label={t('students.skillTable.copyTable')} />
      </div>
    </div>
  );
}
