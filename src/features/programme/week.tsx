import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { dayAfter, dayWords, type Day } from '@/core/calendar';
import type { Appointment } from '@/data';
import { KINDS, STATES, forWhat } from './date-words';

/** A week in seven columns; below each other on a phone. */
export function Week({
  monday,
  dates,
  nameOf,
  today,
}: {
  monday: Day;
  dates: Appointment[];
  nameOf: (studentId: string) => string;
  today: Day;
}) {
  const t = useTranslations();
  const days = Array.from({ length: 7 }, (_, i) => dayAfter(monday, i));
  return (
    <ol
      aria-label={t('programme.week.week')}
      className="grid divide-rule max-lg:divide-y lg:grid-cols-7 lg:divide-x"
    >
      {days.map((day) => (
        <li key={day} className="min-w-0 px-2.5 py-2.5 lg:min-h-[calc(100dvh-150px)]">
          <h3 className={day === today ? 'num text-line' : 'num'}>
            {dayWords(day)}
            {day === today && <span className="sr-only">{t('programme.week.today')}</span>}
          </h3>
          <ul className="grid gap-2 pt-2">
            {dates
              .filter((date) => date.day === day)
              .map((date) => (
                <li
                  key={date.id}
                  className="border-l-4 border-ink pl-2 text-[0.90625rem] leading-snug"
                >
                  {date.time && <span className="block text-[1.0625rem] num">{date.time}</span>}
                  <Link
                    href={`/programme/dates/${date.id}`}
                    className="font-[640] [font-stretch:88%] underline decoration-1 underline-offset-4"
                  >
                    {nameOf(date.studentId)}
                  </Link>
                  <span className="block">
                    {t.rich('programme.week.min', {
                      shape: KINDS[date.kind].shape,
                      kind: KINDS[date.kind].name,
                      minutes: date.minutes,
                      span: (chunks) => <span aria-hidden>{chunks}</span>,
                    })}
                    {date.state !== 'planned' && `, ${STATES[date.state]}`}
                  </span>
                  <span className="block text-ink2">{forWhat(date) || date.note}</span>
                </li>
              ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}
