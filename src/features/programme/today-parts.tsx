import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import type { Appointment } from '@/data';
import { Button } from '@/ui/button';
import { KINDS, forWhat, timeWords } from './date-words';
import { RunPlanButton } from './run-plan-button';
import type { ToDo } from './today';

/** Today’s lessons today: one touch starts what is planned. */
export function Coming({
  dates,
  nameOf,
  saysOf,
}: {
  dates: Appointment[];
  nameOf: (id: string) => string;
  /** What a student does, in a sentence; null where nothing is known. */
  saysOf: (id: string) => string | null;
}) {
  const t = useTranslations();
  return (
    <ul>
      {dates.map((date) => {
        const { id, studentId, kind, state, planId, minutes, time } = date;
        const name = nameOf(studentId);
        const words = forWhat(date) || date.note;
        return (
          <li
            key={id}
            className="grid grid-cols-[64px_minmax(0,1fr)] items-center gap-x-3 gap-y-2 border-b border-hair py-2.5 last:border-0 sm:grid-cols-[64px_minmax(0,1fr)_auto]"
          >
            <span className="text-[1.25rem] num">{time ?? t('programme.todayParts.today')}</span>
            <p className="min-w-0">
              <Link
                href={`/programme/dates/${id}`}
                className="text-[1.125rem] font-[660] underline decoration-1 underline-offset-4"
              >
                {name}
              </Link>
              <span className="block text-[0.9375rem] text-ink2">
                {t('programme.todayParts.min', {
                  kind: KINDS[kind].name,
                  words: words && `: ${words}`,
                  minutes,
                })}
                {state === 'done' && t('programme.todayParts.done')}
              </span>
              {saysOf(studentId) && <span className="block text-[1rem]">{saysOf(studentId)}</span>}
            </p>
            {state !== 'done' && (
              <div className="max-sm:col-start-2">
                {planId ? (
                  <RunPlanButton
                    id={planId}
                    name={`the plan for ${name}`}
                    words={t('programme.todayParts.startPlannedSession')}
                  />
                ) : (
                  <Button asChild>
                    <Link
                      href={`/start?student=${studentId}${kind === 'test' ? '&cold=1' : ''}`}
                      aria-label={t('programme.todayParts.startASessionWith', { name })}
                    >
                      {t('programme.todayParts.start')}
                    </Link>
                  </Button>
                )}
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** Things to have in mind, student by student, each leading to where it is done. */
export function ToDoList({ all }: { all: ToDo[] }) {
  const t = useTranslations();
  return (
    <ul>
      {all.map(({ studentId, who, all: things }) => (
        <li key={studentId} className="border-b border-hair py-2 last:border-0">
          <Link
            href={`/students/${studentId}`}
            className="inline-flex min-h-11 items-center text-[1.0625rem] font-[660] underline decoration-1 underline-offset-4 lg:min-h-0"
          >
            {who}
          </Link>
          <ul aria-label={t('programme.todayParts.toDoFor', { who })}>
            {things.map(({ id, words, href }) => (
              <li key={id}>
                <Link
                  href={href}
                  className="inline-block py-2.5 text-[1rem] underline decoration-1 underline-offset-4 first-letter:uppercase lg:py-1"
                >
                  {words}
                </Link>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

/** Tomorrow in a line. */
export const tomorrowWords = (dates: Appointment[], nameOf: (id: string) => string): string =>
  dates.map((date) => `${nameOf(date.studentId)} (${timeWords(date)})`).join(', ');
