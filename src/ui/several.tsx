'use client';

import { Check } from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { useId } from 'react';

/** Any of some, all in sight. */
export function Several<Value extends string>({
  label,
  options,
  values,
  onChange,
}: {
  label: string;
  options: readonly { value: Value; label: string }[];
  values: readonly Value[];
  onChange: (values: Value[]) => void;
}) {
  const id = useId();
  return (
    <div className="grid gap-1.5">
      <span id={id} className="cap">
        {label}
      </span>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby={id}
        value={[...values]}
        onValueChange={(next) => onChange(next as Value[])}
        className="flex flex-wrap gap-1.5"
      >
        {options.map((option) => (
          <ToggleGroup.Item
            key={option.value}
            value={option.value}
            className="group inline-flex min-h-11 items-center gap-1.5 rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet px-3 text-[0.9375rem] font-[560] [font-stretch:92%] data-[state=on]:bg-ink data-[state=on]:text-sheet"
          >
            <Check size={15} aria-hidden className="hidden group-data-[state=on]:block" />
            {option.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
