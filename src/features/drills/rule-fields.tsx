'use client';

import { z } from 'zod';
import { capSchema, ruleSchema, type Cap, type Rule } from '@/core/drill';
import { Choice } from '@/ui/choice';
import { ParsedInput, type Wrong } from '@/ui/parsed-input';
import { Pick } from '@/ui/pick';

type Type = Rule['type'];

/** Each rule: its name, a first set of numbers, and which of them are asked for. */
const RULES: Record<
  Type,
  { name: string; first: Rule; numbers: [field: string, label: string][] }
> = {
  open: { name: 'you finish it', first: { type: 'open' }, numbers: [] },
  putts: {
    name: 'so many putts',
    first: { type: 'putts', putts: 20 },
    numbers: [['putts', 'Putts']],
  },
  quota: {
    name: 'until so many passed',
    first: { type: 'quota', passes: 25 },
    numbers: [['passes', 'Passed']],
  },
  row: {
    name: 'so many in a row',
    first: { type: 'row', length: 5 },
    numbers: [['length', 'In a row']],
  },
  sets: {
    name: 'perfect sets',
    first: { type: 'sets', sets: 4, of: 5, restart: 'at once' },
    numbers: [
      ['sets', 'Sets'],
      ['of', 'Of'],
    ],
  },
  stations: {
    name: 'at every station',
    first: { type: 'stations', need: 2, of: 3 },
    numbers: [
      ['need', 'Needed'],
      ['of', 'Of'],
    ],
  },
  tiers: {
    name: 'stations in tiers',
    first: {
      type: 'tiers',
      tiers: [
        { stations: 2, need: 3, of: 3 },
        { stations: 2, need: 2, of: 3 },
        { stations: 2, need: 1, of: 3 },
      ],
    },
    numbers: [],
  },
  record: { name: 'longest row round the stations', first: { type: 'record' }, numbers: [] },
  points: {
    name: 'points',
    first: { type: 'points', total: 11, short: 0, past: 1, holed: 2 },
    numbers: [
      ['total', 'To'],
      ['short', 'Short'],
      ['past', 'Past'],
      ['holed', 'Holed'],
    ],
  },
  zone: {
    name: 'so many in the zone',
    first: { type: 'zone', length: 5 },
    numbers: [['length', 'In a row']],
  },
  perfect: { name: 'one perfect putt', first: { type: 'perfect' }, numbers: [] },
  ladder: {
    name: 'up and down the ladder',
    first: { type: 'ladder', up: 3, down: 3 },
    numbers: [
      ['up', 'Up after'],
      ['down', 'Down after'],
    ],
  },
  cost: { name: 'a miss costs', first: { type: 'cost', holes: 9 }, numbers: [['holes', 'Holes']] },
  guess: {
    name: 'guess, then look',
    first: { type: 'guess', putts: 12 },
    numbers: [['putts', 'Putts']],
  },
  timed: {
    name: 'in so many minutes',
    first: { type: 'timed', minutes: 5 },
    numbers: [['minutes', 'Minutes']],
  },
  assessment: {
    name: 'cold test',
    first: { type: 'assessment', putts: 10 },
    numbers: [['putts', 'Putts']],
  },
};

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
  const take = <T,>(schema: z.ZodType<T>, next: unknown, keep: (value: T) => void) => {
    const parsed = schema.safeParse(next);
    if (!parsed.success) return parsed.error.issues[0]!.message;
    keep(parsed.data);
    return null;
  };
  const values = rule as Record<string, unknown>;
  return (
    <div className="grid gap-4">
      <div className="max-w-sm">
        <Pick
          label="Done when"
          placeholder="Rule"
          options={Object.entries(RULES).map(([value, { name }]) => ({ value, label: name }))}
          value={rule.type}
          onChange={(type) => onRule(RULES[type as Type].first)}
        />
      </div>
      <div className="grid grid-cols-3 gap-x-6 gap-y-3 sm:grid-cols-5">
        {RULES[rule.type].numbers.map(([field, label]) => (
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
          label="At most, putts"
          value={cap.putts}
          show={String}
          schema={whole}
          onValue={(putts) => take(capSchema, { ...cap, putts }, onCap)}
          onWrong={onWrong}
        />
        <ParsedInput
          name="cap minutes"
          label="Or minutes"
          value={cap.minutes}
          show={String}
          schema={whole}
          onValue={(minutes) => take(capSchema, { ...cap, minutes }, onCap)}
          onWrong={onWrong}
        />
      </div>
      {rule.type === 'sets' && (
        <Choice
          label="A miss starts the set again"
          value={rule.restart}
          onChange={(restart) => onRule({ ...rule, restart })}
          options={[
            { value: 'at once', label: 'at once' },
            { value: 'at the end', label: 'at the end' },
          ]}
        />
      )}
    </div>
  );
}
