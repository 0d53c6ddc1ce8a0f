'use client';

import { useTranslations } from 'next-intl';
import { CalendarDays } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import {
  dayIn,
  daySchema,
  fullDayWords,
  momentOf,
  partsOfMoment,
  typedDay,
  typedTime,
} from '@/core/calendar';
import { TextField } from './field';
import { zoneNow } from './when';

/** Fetched when a coach opens it. */
const DayChooser = dynamic(() => import('./day-chooser').then((part) => part.DayChooser));

interface Shape {
  label: string;
  hint?: ReactNode;
  error?: string;
}

/** A field that is typed as it is said, and shown as it is said once it is left. */
function SaidField({
  value,
  onChange,
  show,
  read,
  wrong,
  ...rest
}: Shape & {
  /** As it is kept; what cannot be read is kept as it was typed, so that the form says so. */
  value: string;
  onChange: (value: string) => void;
  show: (value: string) => string;
  read: (text: string) => string | null;
  wrong: (text: string) => string;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [left, setLeft] = useState(false);
  const unread = left && value !== '' && read(value) === null;
  return (
    <TextField
      {...rest}
      value={typed ?? show(value)}
      onFocus={() => setLeft(false)}
      onChange={({ target }) => {
        setTyped(target.value);
        onChange(read(target.value) ?? target.value);
      }}
      onBlur={() => {
        setLeft(true);
        setTyped(null);
      }}
      error={unread ? wrong(value) : rest.error}
    />
  );
}

const isDay = (value: string): boolean => daySchema.safeParse(value).success;
const showDay = (value: string): string => (isDay(value) ? fullDayWords(value) : value);

/** A day, typed as a coach says it or taken from a calendar; kept as "2026-11-27", or empty. */
export function DayField({
  value,
  onChange,
  ...rest
}: Shape & { value: string; onChange: (day: string) => void }) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const today = dayIn(new Date(), zoneNow());
  return (
    <div className="relative min-w-0">
      <SaidField
        {...rest}
        value={value}
        onChange={onChange}
        show={showDay}
        read={(text) => typedDay(text, today)}
        wrong={(text) => t('ui.dayField.isNotADateType', { text })}
      />
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label={t('ui.dayField.chooseFromACalendar', { rest: rest.label })}
          className="absolute top-4 right-0 grid size-11 place-items-center"
        >
          <CalendarDays size={18} aria-hidden />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            collisionPadding={8}
            className="z-50 max-h-(--radix-popover-content-available-height) overflow-y-auto border-2 border-ink bg-sheet p-3"
          >
            <DayChooser
              day={isDay(value) ? value : null}
              today={today}
              onChoose={(day) => {
                onChange(day);
                setOpen(false);
              }}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}

/** A time of the day; kept as "16:30", or empty. */
export const TimeField = (props: Shape & { value: string; onChange: (time: string) => void }) => {
  const t = useTranslations();
  return (
    <SaidField
      {...props}
      show={(value) => value}
      read={typedTime}
      wrong={(text) => t('ui.dayField.isNotATimeType', { text })}
    />
  );
};

interface Held<Values extends FieldValues, Context, Output> {
  control: Control<Values, Context, Output>;
  name: FieldPath<Values>;
  label: string;
  hint?: string;
}

/** A moment on the coach's clock, as a form keeps it: "2026-11-27T16:30"; its day and its time beside each other. */
export function FormMoment<Values extends FieldValues, Context, Output>({
  control,
  name,
}: Omit<Held<Values, Context, Output>, 'label'>) {
  const t = useTranslations();
  const { field, fieldState } = useController({ control, name });
  const [day, time] = partsOfMoment(String(field.value ?? ''));
  return (
    <div className="grid grid-cols-[1.5fr_1fr] gap-4">
      <DayField
        label={t('ui.dayField.date')}
        value={day}
        onChange={(next) => field.onChange(momentOf(next, time))}
        error={fieldState.error?.message}
      />
      <TimeField
        label={t('ui.dayField.time')}
        value={time}
        onChange={(next) => field.onChange(momentOf(day, next))}
      />
    </div>
  );
}

/** A {@link DayField} that a form holds. */
export function FormDay<Values extends FieldValues, Context, Output>({
  control,
  name,
  ...rest
}: Held<Values, Context, Output>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <DayField
      {...rest}
      value={String(field.value ?? '')}
      onChange={field.onChange}
      error={fieldState.error?.message}
    />
  );
}

/** A {@link TimeField} that a form holds. */
export function FormTime<Values extends FieldValues, Context, Output>({
  control,
  name,
  none,
  ...rest
}: Held<Values, Context, Output> & {
  /** What the form holds where there is none. */
  none: '' | null;
}) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TimeField
      {...rest}
      value={String(field.value ?? '')}
      onChange={(time) => field.onChange(time === '' ? none : time)}
      error={fieldState.error?.message}
    />
  );
}
