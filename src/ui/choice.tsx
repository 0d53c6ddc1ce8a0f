'use client';

import clsx from 'clsx';
import { RadioGroup } from 'radix-ui';
import { useId } from 'react';

export interface ChoiceOption<Value extends string> {
  value: Value;
  label: string;
}

/** Letters that stand in one row on a phone. */
const NARROW = 14;

/** One of a few, all in sight. */
export function Choice<Value extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: readonly ChoiceOption<Value>[];
  value: Value;
  onChange: (value: Value) => void;
}) {
  const id = useId();
  const letters = options.reduce((sum, { label: one }) => sum + one.length, 0);
  return (
    <div className="grid gap-1.5">
      <span id={id} className="cap">
        {label}
      </span>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(next) => onChange(next as Value)}
        className={clsx(
          'w-fit rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet',
          options.length > 3 && letters > NARROW ? 'grid grid-cols-2 sm:flex' : 'flex',
        )}
      >
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="min-h-11 px-4 text-[0.9375rem] font-[600] [font-stretch:92%] data-[state=checked]:bg-ink data-[state=checked]:text-sheet"
          >
            {option.label}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
