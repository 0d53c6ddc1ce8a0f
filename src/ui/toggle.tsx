'use client';

import { Switch } from 'radix-ui';

/** Something that is on or off. */
export function Toggle({
  label,
  hint,
  on,
  onChange,
}: {
  label: string;
  hint?: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <label className="flex min-h-11 items-center justify-between gap-4 text-[1rem]">
      <span>
        {label}
        {hint && <span className="block text-sm text-ink2">{hint}</span>}
      </span>
      <Switch.Root
        checked={on}
        onCheckedChange={onChange}
        className="relative h-8 w-16 shrink-0 rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet p-[3px] before:absolute before:-inset-[7px] data-[state=checked]:bg-ink"
      >
        <Switch.Thumb className="block h-full w-6 rounded-[2px] bg-ink transition-transform data-[state=checked]:translate-x-[30px] data-[state=checked]:bg-sheet" />
      </Switch.Root>
    </label>
  );
}
