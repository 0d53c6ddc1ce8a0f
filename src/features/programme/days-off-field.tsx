'use client';

import { useTranslations } from 'next-intl';
import { Plus, X } from 'lucide-react';
import {
  useController,
  type Control,
  type FieldErrors,
  type FieldPath,
  type FieldValues,
} from 'react-hook-form';
import type { DaysOff } from '@/core/calendar';
import { Button } from '@/ui/button';
import { DayField } from '@/ui/day-field';
import { TextField } from '@/ui/field';

/** When nobody comes: one row a time off, each with what is wrong with it beside it. */
export function DaysOffField<Values extends FieldValues, Context, Output>({
  control,
  name,
  title,
  hint,
  today,
}: {
  control: Control<Values, Context, Output>;
  name: FieldPath<Values>;
  title: string;
  hint: string;
  /** The day that a new row begins with, as "2026-04-09". */
  today: string;
}) {
  const t = useTranslations();
  const { field, fieldState } = useController({ control, name });
  const rows = field.value as DaysOff[];
  // What is wrong with a part of a row lies beneath what is wrong with the field.
  const wrong = fieldState.error as FieldErrors<DaysOff>[] | undefined;
  const put = (row: number, part: keyof DaysOff, value: string) =>
    field.onChange(rows.map((one, at) => (at === row ? { ...one, [part]: value } : one)));
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 text-[1.25rem] num">{title}</legend>
      <p className="max-w-prose text-sm text-ink2">{hint}</p>
      {rows.map((row, at) => {
        const day = (part: 'from' | 'until', label: string) => (
          <DayField
            label={label}
            value={row[part]}
            onChange={(value) => put(at, part, value)}
            error={wrong?.[at]?.[part]?.message}
          />
        );
        return (
          <div
            key={at}
            role="group"
            aria-label={t('programme.daysOffField.timeOff', { at: at + 1 })}
            className="grid grid-cols-2 items-start gap-x-4 gap-y-3 border-b border-rule pb-3 sm:grid-cols-[0.9fr_0.9fr_1.2fr_auto]"
          >
            {day('from', t('programme.daysOffField.firstDay'))}
            {day('until', t('programme.daysOffField.lastDay'))}
            <TextField
              label={t('programme.daysOffField.reasonOptional')}
              value={row.why}
              onChange={({ target }) => put(at, 'why', target.value)}
              error={wrong?.[at]?.why?.message}
            />
            <Button
              className="justify-self-end px-3"
              aria-label={t('programme.daysOffField.removeTimeOff', { at: at + 1 })}
              onClick={() => field.onChange(rows.filter((_, other) => other !== at))}
            >
              <X size={18} aria-hidden />
            </Button>
          </div>
        );
      })}
      {fieldState.error?.message && (
        <p role="alert" className="text-sm font-[560] text-line">
          ▲ {fieldState.error.message}
        </p>
      )}
      <div>
        <Button onClick={() => field.onChange([...rows, { from: today, until: today, why: '' }])}>
          <Plus size={17} aria-hidden /> {t('programme.daysOffField.addTimeOff')}
        </Button>
      </div>
    </fieldset>
  );
}
