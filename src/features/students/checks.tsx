import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { checkWords, effectOfCheckWords, type Check } from '@/core/coaching';

const WIDTH = 260;
const HEIGHT = 64;
const LINE = 8;

/** What coaches looked for with their own eyes, over the weeks; nothing where nothing was. */
export function Checks({ checks }: { checks: Check[] }) {
  const t = useTranslations();
  if (checks.length === 0) return null;
  return (
    <section
      aria-label={t('students.checks.checksByEye')}
      className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
    >
      <h2 className="mb-1 text-[1.25rem] num">{t('students.checks.checksByEyeOverThe')}</h2>
      <p className="mb-3 text-sm text-ink2">{t('students.checks.oneLinePerSessionShows')}</p>
      <ul className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
        {checks.map((check) => (
          <li
            key={check.question}
            className="grid gap-x-5 gap-y-1 sm:grid-cols-[260px_minmax(0,1fr)]"
          >
            <Rates check={check} />
            <div>
              <p className="text-[1.0625rem] num">{check.question}</p>
              <p className="text-[0.9375rem]">
                {check.good}: {checkWords(check)}.
                {check.effect && ` ${effectOfCheckWords(check.effect)}.`}
              </p>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Rates({ check: { sessions, question } }: { check: Check }) {
  const t = useTranslations();
  const shown = sessions.slice(-20);
  const y = (share: number) => LINE + (1 - share) * (HEIGHT - 2 * LINE);
  const x = (index: number) => ((index + 0.5) / shown.length) * WIDTH;
  const [first, last] = [shown[0]!, shown.at(-1)!];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-[260px] bg-sheet"
      role="img"
      aria-label={t('students.checks.sessionTo', {
        question,
        shown: shown.length,
        date: format(first.at, 'd MMM'),
        date2: format(last.at, 'd MMM yyyy'),
      })}
    >
      {[0, 0.5, 1].map((share) => (
        <line key={share} x1={0} x2={WIDTH} y1={y(share)} y2={y(share)} className="stroke-hair" />
      ))}
      {shown.map(({ id, low, middle, high }, index) => (
        <g key={id}>
          <line
            x1={x(index)}
            x2={x(index)}
            y1={y(low)}
            y2={y(high)}
            className="stroke-ink"
            strokeOpacity={0.35}
            strokeWidth={7}
          />
          <circle cx={x(index)} cy={y(middle)} r={4} className="fill-ink" />
        </g>
      ))}
    </svg>
  );
}
