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
function verdict({ held, count }: Accuracy): string {
  if (count < ENOUGH) return `Too few to judge yet: it takes ${ENOUGH}.`;
  const off = 3 * Math.sqrt((0.8 * 0.2) / count);
  if (held < 0.8 - off)
    return 'The forecasts are overconfident: expect more variation than they state.';
  if (held > 0.8 + off) return 'The forecasts are more cautious than they need to be.';
  return 'This is 80 %, within chance.';
}

/** Chances that are told of something else than a pass. */
const OTHERS = [
  { what: 'holed', label: 'Putt is holed', of: 'putts' },
  { what: 'goal', label: 'Goal within reach is met', of: 'goals' },
  { what: 'change', label: 'Change stated at 90 % or more', of: 'changes' },
] as const;

/** How the program's own forecasts have turned out: in a sentence each, then in pictures. */
export function AccuracyView({ read, corrected }: { read: AccuracyRead; corrected: boolean }) {
  const { passes, finish, reliability, from, to, chances } = read;
  const others = OTHERS.flatMap(({ what, label, of }) => {
    const found = chances[what];
    return found ? [{ ...found, label, unit: of }] : [];
  });
  if (!from || !to || !passes) {
    return (
      <p className="px-4 py-6 text-[1.125rem] md:px-7">
        No forecast can be checked yet. The first check comes with a student’s second finished
        session.{' '}
        <Link href="/start" className="underline underline-offset-4">
          Start a session
        </Link>
      </p>
    );
  }
  return (
    <div className="grid grid-cols-1 gap-y-6 px-4 py-6 md:px-7 lg:grid-cols-2 lg:gap-x-10">
      <section aria-label="In short" className="grid min-w-0 content-start gap-3">
        <p className="max-w-[60ch] text-[1.25rem]">
          Of {passes.count} drills, the number of putts that passed was{' '}
          <strong className="num">{percent(passes.held)}</strong> of the time inside its 80 %
          interval. {verdict(passes)}
        </p>
        {finish && (
          <p className="max-w-[60ch] text-[1.125rem]">
            Of {finish.count} completed drills, the number of putts needed was{' '}
            <strong className="num">{percent(finish.held)}</strong> of the time inside its 80 %
            interval. {verdict(finish)}
          </p>
        )}
        {reliability && (
          <p className="max-w-[60ch] text-[1rem]">
            Brier score of the {reliability.putts} putts:{' '}
            <span className="num">{reliability.brier.toFixed(3)}</span>; forecasting the average
            every time would score <span className="num">{reliability.always.toFixed(3)}</span>. 0
            is perfect.
          </p>
        )}
        <p className="max-w-[60ch] text-[1rem] text-ink2">
          {format(from, 'd MMMM yyyy')} to {format(to, 'd MMMM yyyy')}. Each forecast uses only what
          was known before its session. Drills that only an eye can judge are left out, and so are
          the forecasts of a first session.
        </p>
        <CorrectionPart found={read.correction} on={corrected} />
        {others.length > 0 && (
          <table className="w-full max-w-[34rem] text-[0.9375rem]">
            <caption className="pb-1 text-left cap">Other forecasts</caption>
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1 pr-4 font-normal">forecast</th>
                <th className="py-1 pr-4 font-normal">said</th>
                <th className="py-1 pr-4 font-normal">came true</th>
                <th className="py-1 pr-4 font-normal">80 % interval</th>
                <th className="py-1 text-right font-normal">of</th>
              </tr>
            </thead>
            <tbody>
              {others.map(({ label, told, came, low, high, of, unit }) => (
                <tr key={label} className="border-b border-hair num">
                  <td className="py-1 pr-4">{label}</td>
                  <td className="py-1 pr-4">{percent(told)}</td>
                  <td className="py-1 pr-4">{percent(came)}</td>
                  <td className="py-1 pr-4 text-ink2">
                    {percent(low)} to {percent(high)}
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
            <caption className="pb-1 text-left cap">Chance that a putt passes</caption>
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1 pr-4 font-normal">forecast</th>
                <th className="py-1 pr-4 font-normal">passed</th>
                <th className="py-1 pr-4 font-normal">80 % interval</th>
                <th className="py-1 text-right font-normal">putts</th>
              </tr>
            </thead>
            <tbody>
              {reliability.rows.map(({ forecast, seen, low, high, putts }) => (
                <tr key={forecast} className="border-b border-hair num">
                  <td className="py-1 pr-4">{percent(forecast)}</td>
                  <td className="py-1 pr-4">{percent(seen)}</td>
                  <td className="py-1 pr-4 text-ink2">
                    {percent(low)} to {percent(high)}
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
              Forecast against result: on the line, the forecast was right
            </figcaption>
            <div className="relative h-[320px]">
              <ReliabilityChart rows={reliability.rows} />
            </div>
          </figure>
        )}
        <figure className="min-w-0">
          <figcaption className="pb-1 cap">
            Where each result fell in its forecast: level bars are right
          </figcaption>
          <div className="relative h-[200px]">
            <TenthsChart tenths={passes.tenths} />
          </div>
        </figure>
      </div>
    </div>
  );
}
