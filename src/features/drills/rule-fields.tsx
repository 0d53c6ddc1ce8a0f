'use client';

import { useTranslations } from 'next-intl';
import { z } from 'zod';
import {
  RULES,
  capSchema,
  ruleNote,
  ruleSchema,
  type Cap,
  type Rule,
  type RuleField,
} from '@/core/drill';
import { Choice } from '@/ui/choice';
import { ParsedInput, type Wrong } from '@/ui/parsed-input';
import { Pick } from '@/ui/pick';

const whole = z.string().transform((text, context) => {
  const number = Number(text.trim());
  if (text.trim() !== '' && Number.isInteger(number)) return number;
  context.addIssue({ code: 'custom', message: `“${text.slice(0, 16)}” is not a whole number.` });
  return z.NEVER;
});

/** When a drill is done: which rule, its numbers, and the cap that ends it whatever happens. */
export function RuleFields({
  rule,
  cap,
  onRule,
  onCap,
  onWrong,
}: {
  rule: Rule;
  cap: Cap;
  onRule: (rule: Rule) => void;
  onCap: (cap: Cap) => void;
  onWrong: Wrong;
}) {
  const t = useTranslations();
  const take = <T,>(schema: z.ZodType<T>, next: unknown, keep: (value: T) => void) => {
    const parsed = schema.safeParse(next);
    if (!parsed.success) return parsed.error.issues[0]!.message;
    keep(parsed.data);
    return null;
  };
  const values = rule as Record<string, unknown>;
  const fields: readonly RuleField[] = RULES[rule.type].fields;
  const note = ruleNote(rule);
  return (
    <div className="grid gap-4">
      <div className="max-w-sm">
        <Pick
          label={t('drills.ruleFields.doneWhen')}
          placeholder={t('drills.ruleFields.chooseARule')}
          options={Object.entries(RULES).map(([value, { name }]) => ({ value, label: name }))}
          value={rule.type}
          onChange={(type) => onRule(RULES[type as Rule['type']].first)}
        />
      </div>
      {fields.some(({ text }) => text) && (
        <div className="grid max-w-lg grid-cols-2 gap-x-6 gap-y-3">
          {fields
            .filter(({ text }) => text)
            .map(({ field, label }) => (
              <ParsedInput
                key={`${rule.type} ${field}`}
                name={`rule ${field}`}
                label={label}
                value={values[field] as string}
                show={String}
                schema={z.string()}
                onValue={(words) => take(ruleSchema, { ...rule, [field]: words }, onRule)}
                onWrong={onWrong}
              />
            ))}
        </div>
      )}
      <div className="grid grid-cols-3 gap-x-6 gap-y-3 sm:grid-cols-5">
        {fields
          .filter(({ options, text }) => !options && !text)
          .map(({ field, label }) => (
            <ParsedInput
              key={`${rule.type} ${field}`}
              name={`rule ${field}`}
              label={label}
              value={values[field] as number}
              show={String}
              schema={whole}
              onValue={(number) => take(ruleSchema, { ...rule, [field]: number }, onRule)}
              onWrong={onWrong}
            />
          ))}
        <ParsedInput
          name="cap putts"
          label={t('drills.ruleFields.maximumPutts')}
          value={cap.putts}
          show={String}
          schema={whole}
          onValue={(putts) => take(capSchema, { ...cap, putts }, onCap)}
          onWrong={onWrong}
        />
        <ParsedInput
          name="cap minutes"
          label={t('drills.ruleFields.maximumMinutes')}
          value={cap.minutes}
          show={String}
          schema={whole}
          onValue={(minutes) => take(capSchema, { ...cap, minutes }, onCap)}
          onWrong={onWrong}
        />
      </div>
      {note && <p className="max-w-prose text-sm text-ink2">{note}</p>}
      {fields.map(
        ({ field, label, options }) =>
          options && (
            <Choice
              key={`${rule.type} ${field}`}
              label={label}
              value={values[field] as string}
              onChange={(value) => take(ruleSchema, { ...rule, [field]: value }, onRule)}
              options={options}
            />
          ),
      )}
    </div>
  );
}
