import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { dayWords, type Day } from '@/core/calendar';
import type { Appointment } from '@/data';
import { KINDS, STATES, forWhat, timeWords } from './date-words';

/** Dates below each other, day by day. */
export function Agenda({
  dates,
  nameOf,
  today,
}: {
  dates: Appointment[];
  nameOf: (studentId: string) => string;
  today: Day;
}) {
  const t = useTranslations();
  const days = [...new Set(dates.map(({ day }) => day))];
  if (days.length === 0) {
    return (
      <p className="px-4 py-6 text-ink2 md:px-7">{t('programme.agenda.theDiaryIsEmptyFor')}</p>
    );
  }
  return (
    <ol aria-label={t('programme.agenda.agenda')}>
      {days.map((day) => (
        <li
          key={day}
          className="grid gap-x-5 border-b border-rule px-4 py-2.5 sm:grid-cols-[104px_1fr] md:px-7"
        >
          <h3 className={day === today ? 'text-[1.0625rem] num text-line' : 'text-[1.0625rem] num'}>
            {dayWords(day)}
            {day === today && (
              <span className="block text-[0.84375rem]">{t('programme.agenda.today')}</span>
            )}
          </h3>
          <ul>
            {dates
              .filter((date) => date.day === day)
              .map((date) => (
                <li key={date.id} className="py-1">
                  <DateLine date={date} name={nameOf(date.studentId)} />
                </li>
              ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

/** One date in a line: who, what for, when. */
export function DateLine({ date, name }: { date: Appointment; name: string }) {
  const { kind, state } = date;
  const words = forWhat(date) || date.note;
  return (
    <div className="grid grid-cols-[20px_minmax(0,1fr)_auto] items-baseline gap-x-2.5">
      <span className="text-center" aria-hidden>
        {KINDS[kind].shape}
      </span>
      <p className="text-[0.96875rem]">
        <Link
          href={`/programme/dates/${date.id}`}
          className="mr-2 text-[1.03125rem] font-[640] underline decoration-1 underline-offset-4"
        >
          {name}
        </Link>
        {KINDS[kind].name}
        {words && `: ${words}`}
      </p>
      <p className="text-right text-[0.9375rem] whitespace-nowrap text-ink2">
        {timeWords(date)}
        {state !== 'planned' && (
          <strong className={state === 'missed' ? 'text-warn' : ''}> · {STATES[state]}</strong>
        )}
      </p>
    </div>
  );
}
