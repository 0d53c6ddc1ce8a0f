'use client';

import { DayPicker } from 'react-day-picker';
import { fullDayWords, type Day } from '@/core/calendar';
import { deviceDay, deviceNoon } from './when';

/** A month to take a day from, Monday first. */
export function DayChooser({
  day,
  today,
  onChoose,
}: {
  day: Day | null;
  today: Day;
  onChoose: (day: Day) => void;
}) {
  return (
    <DayPicker
      mode="single"
      weekStartsOn={1}
      showOutsideDays
      autoFocus
      today={deviceNoon(today)}
      defaultMonth={deviceNoon(day ?? today)}
      selected={day ? deviceNoon(day) : undefined}
      onSelect={(date) => date && onChoose(deviceDay(date))}
      labels={{ labelDayButton: (date) => fullDayWords(deviceDay(date)) }}
      classNames={{
        months: 'relative',
        month_caption: 'flex h-11 items-center pl-2 text-[1.0625rem] num',
        nav: 'absolute top-0 right-0 flex',
        button_previous: 'grid size-11 place-items-center',
        button_next: 'grid size-11 place-items-center',
        chevron: 'size-4 fill-ink',
        weekday: 'size-11 cap',
        day: 'p-0 text-center',
        day_button: 'size-11 num',
        selected: 'bg-ink text-sheet',
        today: 'font-[700] text-line',
        outside: 'text-ink2',
      }}
    />
  );
}
