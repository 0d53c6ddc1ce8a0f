import { useTranslations } from 'next-intl';
import { verdictWords, type Trial } from '@/core/coaching';
import { asSentence } from '@/core/units';

/** What trials came to, skill by skill. */
export function Trials({ trials }: { trials: readonly Trial[] }) {
  const t = useTranslations();
  return (
    <ul className="grid gap-4">
      {trials.map((trial) => (
        <li key={`${trial.a} ${trial.b}`} className="grid gap-1">
          <p className="text-[1.0625rem]">
            <strong>
              {t('setup.trials.comparedWith', { asSentence: asSentence(trial.a), b: trial.b })}
            </strong>{' '}
            <span className="text-ink2">
              {t('setup.trials.andPutts', { a: trial.putts.a, b: trial.putts.b })}
            </span>
          </p>
          {trial.skills.length === 0 ? (
            <p className="text-ink2">{t('setup.trials.notEnoughDataYetEach')}</p>
          ) : (
            <ul className="grid gap-0.5">
              {trial.skills.map((one) => (
                <li key={one.skill}>{verdictWords(trial, one)}</li>
              ))}
            </ul>
          )}
        </li>
      ))}
    </ul>
  );
}
