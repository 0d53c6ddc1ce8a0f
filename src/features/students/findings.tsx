import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import type { Finding } from '@/core/coaching';
import { asSentence, showChance } from '@/core/units';

/** What a player's misses say: each with its numbers, how sure it is, and the drills for it and against it. */
export function Findings({ findings, student }: { findings: Finding[]; student: string }) {
  const t = useTranslations();
  if (findings.length === 0) {
    return (
      <p className="text-[1rem] text-ink2">
        {t('students.findings.thereIsNoClearPattern', { student })}
      </p>
    );
  }
  return (
    <ol className="grid gap-4">
      {findings.map(({ id, seen, probability, cause, putts, drills, avoid }) => (
        <li key={id} className="border-l-[3px] border-ink pl-3.5">
          <p className="text-[1.0625rem]">
            <strong>{seen}</strong>{' '}
            <span className="text-ink2">
              {t('students.findings.surePutts', {
                asSentence: asSentence(showChance(probability)),
                putts,
              })}
            </span>
          </p>
          <p className="mt-0.5 text-[1rem]">{cause}</p>
          {drills.length > 0 && (
            <p className="mt-1 text-[1rem]">
              {t('students.findings.drillsForThis')}{' '}
              {drills.map((drill, index) => (
                <span key={drill.key}>
                  {index > 0 && ', '}
                  <Link
                    href={`/drills/${drill.key}`}
                    className="font-[620] underline decoration-1 underline-offset-4"
                  >
                    {drill.name}
                  </Link>
                </span>
              ))}
              .
            </p>
          )}
          {avoid.length > 0 && (
            <p className="mt-0.5 text-[0.9375rem] text-ink2">
              {t('students.findings.avoidForNow', {
                avoid: avoid.map(({ name }) => name).join(', '),
              })}
            </p>
          )}
        </li>
      ))}
    </ol>
  );
}
