import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { Link } from '@/ui/link';
import { format } from '@/ui/when';
import type { Accuracy } from '@/core/planning';
import { CorrectionPart } from './correction-part';
import { ReliabilityChart } from './reliability-chart';
import type { AccuracyRead } from './read-accuracy';
import { TenthsChart } from './tenths-chart';

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Fewer answers than this judge nothing. */
const ENOUGH = 20;

/** What a share of held forecasts means: within three standard errors of eight in ten it is as it should be. */
function verdict(t: Translate, { held, count }: Accuracy): string {
  if (count < ENOUGH) return t('accuracy.accuracyView.tooFewToJudgeYet', { enough: ENOUGH });
  const off = 3 * Math.sqrt((0.8 * 0.2) / count);
  if (held < 0.8 - off) return t('accuracy.accuracyView.theForecastsAreOverconfidentExpect');
  if (held > 0.8 + off) return t('accuracy.accuracyView.theForecastsAreMoreCautious');
  return t('accuracy.accuracyView.agreesWith80');
}

/** Chances that are told of something else than a pass. */
const OTHERS = [
  { what: 'holed', label: 'accuracy.accuracyView.holed', of: 'accuracy.accuracyView.putts' },
  { what: 'goal', label: 'accuracy.accuracyView.goal', of: 'accuracy.accuracyView.goals' },
  { what: 'change', label: 'accuracy.accuracyView.change', of: 'accuracy.accuracyView.changes' },
] as const;

/** How the program's own forecasts have turned out: in a sentence each, then in pictures. */
export function AccuracyView({ read, corrected }: { read: AccuracyRead; corrected: boolean }) {
  const t = useTranslations();
  const { passes, finish, reliability, from, to, chances } = read;
  const others = OTHERS.flatMap(({ what, label, of }) => {
    const found = chances[what];
    return found ? [{ ...found, label: t(label), unit: t(of) }] : [];
  });
  if (!from || !to || !passes) {
    return (
      <p className="px-4 py-6 text-[1.125rem] md:px-7">
        {t.rich('accuracy.accuracyView.noForecastCanBeChecked', {
          link: (chunks) => (
            <Link href="/start" className="underline underline-offset-4">
              {chunks}
            </Link>
          ),
        })}
      </p>
    );
  }
  return (
    <div className="grid grid-cols-1 gap-y-6 px-4 py-6 md:px-7 lg:grid-cols-2 lg:gap-x-10">
      <section
        aria-label={t('accuracy.accuracyView.inShort')}
        className="grid min-w-0 content-start gap-3"
      >
        <p className="max-w-[60ch] text-[1.25rem]">
          {t.rich('accuracy.accuracyView.ofDrillsTheNumberOf', {
            count: passes.count,
            held: percent(passes.held),
            verdict: verdict(t, passes),
            strong: (chunks) => <strong className="num">{chunks}</strong>,
          })}
        </p>
        {finish && (
          <p className="max-w-[60ch] text-[1.125rem]">
            {t.rich('accuracy.accuracyView.ofCompletedDrillsTheNumber', {
              count: finish.count,
              held: percent(finish.held),
              verdict: verdict(t, finish),
              strong: (chunks) => <strong className="num">{chunks}</strong>,
            })}
          </p>
        )}
        {reliability && (
          <p className="max-w-[60ch] text-[1rem]">
            {t.rich('accuracy.accuracyView.brierScoreOfThePutts', {
              putts: reliability.putts,
              brier: reliability.brier.toFixed(3),
              always: reliability.always.toFixed(3),
              span: (chunks) => <span className="num">{chunks}</span>,
              span2: (chunks) => <span className="num">{chunks}</span>,
            })}
          </p>
        )}
        <p className="max-w-[60ch] text-[1rem] text-ink2">
          {t('accuracy.accuracyView.toEachForecastUsesOnly', {
            date: format(from, 'd MMMM yyyy'),
            date2: format(to, 'd MMMM yyyy'),
          })}
        </p>
        <CorrectionPart found={read.correction} on={corrected} />
        {others.length > 0 && (
          <table className="w-full max-w-[34rem] text-[0.9375rem]">
            <caption className="pb-1 text-left cap">
              {t('accuracy.accuracyView.otherForecasts')}
            </caption>
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.forecast')}</th>
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.said')}</th>
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.cameTrue')}</th>
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.n80Interval')}</th>
                <th className="py-1 text-right font-normal">{t('accuracy.accuracyView.of')}</th>
              </tr>
            </thead>
            <tbody>
              {others.map(({ label, told, came, low, high, of, unit }) => (
                <tr key={label} className="border-b border-hair num">
                  <td className="py-1 pr-4">{label}</td>
                  <td className="py-1 pr-4 whitespace-nowrap">{percent(told)}</td>
                  <td className="py-1 pr-4 whitespace-nowrap">{percent(came)}</td>
                  <td className="py-1 pr-4 text-ink2">
                    {t('accuracy.accuracyView.to', { low: percent(low), high: percent(high) })}
                  </td>
                  <td className="py-1 text-right whitespace-nowrap">
                    {of} {unit}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {reliability && (
          <table className="w-full max-w-[34rem] text-[0.9375rem]">
            <caption className="pb-1 text-left cap">
              {t('accuracy.accuracyView.chanceThatAPuttPasses')}
            </caption>
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.forecast')}</th>
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.passed')}</th>
                <th className="py-1 pr-4 font-normal">{t('accuracy.accuracyView.n80Interval')}</th>
                <th className="py-1 text-right font-normal">{t('accuracy.accuracyView.putts')}</th>
              </tr>
            </thead>
            <tbody>
              {reliability.rows.map(({ forecast, seen, low, high, putts }) => (
                <tr key={forecast} className="border-b border-hair num">
                  <td className="py-1 pr-4">{percent(forecast)}</td>
                  <td className="py-1 pr-4">{percent(seen)}</td>
                  <td className="py-1 pr-4 text-ink2">
                    {t('accuracy.accuracyView.to', { low: percent(low), high: percent(high) })}
                  </td>
                  <td className="py-1 text-right">{putts}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <div className="grid min-w-0 grid-cols-1 content-start gap-8">
        {reliability && (
          <figure className="min-w-0">
            <figcaption className="pb-1 cap">
              {t('accuracy.accuracyView.forecastAgainstResultOnThe')}
            </figcaption>
            <div className="relative h-[320px]">
              <ReliabilityChart rows={reliability.rows} />
            </div>
          </figure>
        )}
        <figure className="min-w-0">
          <figcaption className="pb-1 cap">
            {t('accuracy.accuracyView.whereEachResultFellIn')}
          </figcaption>
          <div className="relative h-[200px]">
            <TenthsChart tenths={passes.tenths} />
          </div>
        </figure>
      </div>
    </div>
  );
}
