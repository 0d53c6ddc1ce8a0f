'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { createContext, useContext } from 'react';
import { DayPicker, type DayButtonProps } from 'react-day-picker';
import { deviceDay, deviceNoon } from '@/ui/when';
import { KINDS } from './date-words';

/** A date as a month shows it. */
export interface MonthDate {
  id: string;
  day: string;
  time: string | null;
  kind: keyof typeof KINDS;
  name: string;
  missed: boolean;
}

const DatesContext = createContext<Map<string, MonthDate[]>>(new Map());

/** A day of the month: its number, and who comes. */
function Day({ day, modifiers, ...button }: DayButtonProps) {
  const t = useTranslations();
  const dates = useContext(DatesContext).get(deviceDay(day.date)) ?? [];
  const said = dates
    .map(
      ({ name, kind, missed }) =>
        `${name}, ${KINDS[kind].name}${missed ? t('programme.month.missed') : ''}`,
    )
    .join('; ');
  return (
    <button
      {...button}
      aria-label={`${deviceDay(day.date, 'EEEE d MMMM')}${said ? `: ${said}` : t('programme.month.noAppointments')}`}
      className="grid h-full min-h-[58px] w-full content-start gap-0.5 p-1.5 text-left md:min-h-[88px]"
    >
      <span className={modifiers.today ? 'num text-line' : modifiers.outside ? 'text-ink2' : 'num'}>
        {day.date.getDate()}
      </span>
      {dates.slice(0, 3).map(({ id, kind, name, time, missed }) => (
        <span
          key={id}
          className={`truncate text-[0.78125rem] leading-tight max-md:hidden ${missed ? 'line-through' : ''}`}
        >
          {KINDS[kind].shape} {time} {name}
        </span>
      ))}
      {dates.length > 3 && (
        <span className="text-[0.78125rem] text-ink2 max-md:hidden">
          {t('programme.month.andMore', { dates: dates.length - 3 })}
        </span>
      )}
      <span className="text-[0.8125rem] tracking-[2px] md:hidden" aria-hidden>
        {dates.map(({ kind }) => KINDS[kind].shape).join('')}
      </span>
    </button>
  );
}

/** A month; a day leads to its week. */
export function Month({
  month,
  today,
  dates,
}: {
  month: string;
  today: string;
  dates: MonthDate[];
}) {
  const t = useTranslations();
  const router = useRouter();
  const byDay = new Map<string, MonthDate[]>();
  for (const date of dates) byDay.set(date.day, [...(byDay.get(date.day) ?? []), date]);
  return (
    <DatesContext value={byDay}>
      <DayPicker
        weekStartsOn={1}
        showOutsideDays
        fixedWeeks
        hideNavigation
        month={deviceNoon(month)}
        today={deviceNoon(today)}
        onDayClick={(date) => router.push(`/programme?view=week&day=${deviceDay(date)}`)}
        components={{ DayButton: Day }}
        mode="single"
        classNames={{
          root: 'w-full',
          months: 'w-full',
          month_caption: 'sr-only',
          month_grid: 'w-full table-fixed border-collapse',
          weekday: 'py-1.5 pl-1.5 text-left cap',
          day: 'border border-rule p-0 align-top',
          outside: 'bg-paper',
          today: 'outline-2 -outline-offset-2 outline-line',
        }}
      />
      <ul className="flex gap-5 px-4 py-3 text-sm text-ink2 md:px-7">
        {Object.values(KINDS).map(({ shape, name }) => (
          <li key={name}>
            <span aria-hidden>{shape}</span> {name}
          </li>
        ))}
        <li className="max-md:hidden">
          <s>{t('programme.month.missed2')}</s>
        </li>
      </ul>
    </DatesContext>
  );
}
