import { verdictWords, type Trial } from '@/core/coaching';
import { asSentence } from '@/core/units';

/** What trials came to, skill by skill. */
export function Trials({ trials }: { trials: readonly Trial[] }) {
  return (
    <ul className="grid gap-4">
      {trials.map((trial) => (
        <li key={`${trial.a} ${trial.b}`} className="grid gap-1">
          <p className="text-[1.0625rem]">
            <strong>
              {asSentence(trial.a)} compared with {trial.b}
            </strong>{' '}
            <span className="text-ink2">
              ({trial.putts.a} and {trial.putts.b} putts)
            </span>
          </p>
          {trial.skills.length === 0 ? (
            <p className="text-ink2">Not enough data yet: each needs 15 putts of the same skill.</p>
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
