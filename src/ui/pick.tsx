'use client';

import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { useId } from 'react';

export interface PickOption {
  value: string;
  label: string;
  detail?: string;
  /** Heading that those of one kind stand below; they come in a row. */
  group?: string;
}

/** Options in their order, in runs of one heading. */
function grouped(options: readonly PickOption[]): { heading?: string; options: PickOption[] }[] {
  const groups: { heading?: string; options: PickOption[] }[] = [];
  for (const option of options) {
    const last = groups.at(-1);
    if (last && last.heading === option.group) last.options.push(option);
    else groups.push({ heading: option.group, options: [option] });
  }
  return groups;
}

/** One of many, from a list. */
export function Pick({
  label,
  placeholder,
  options,
  value,
  onChange,
  error,
  quiet = false,
}: {
  label: string;
  placeholder: string;
  options: PickOption[];
  value: string;
  onChange: (value: string) => void;
  error?: string;
  /** Its label is for those who cannot see what it stands beside. */
  quiet?: boolean;
}) {
  const id = useId();
  return (
    <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1.5">
      <span id={id} className={quiet ? 'sr-only' : 'cap'}>
        {label}
      </span>
      <Select.Root value={value} onValueChange={onChange}>
        <Select.Trigger
          aria-labelledby={id}
          aria-invalid={!!error}
          aria-describedby={error && `${id}-error`}
          className="flex min-h-12 w-full items-center justify-between gap-3 rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet px-3 text-left text-[1.0625rem] font-[600] data-[placeholder]:text-ink2"
        >
          <span className="truncate">
            <Select.Value placeholder={placeholder} />
          </span>
          <Select.Icon>
            <ChevronDown size={18} aria-hidden />
          </Select.Icon>
        </Select.Trigger>
        <Select.Portal>
          <Select.Content
            position="popper"
            sideOffset={4}
            className="z-50 max-h-[min(60vh,var(--radix-select-content-available-height))] w-[var(--radix-select-trigger-width)] overflow-auto rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet"
          >
            <Select.Viewport>
              {grouped(options).map((group) => (
                <Select.Group key={group.heading ?? ''}>
                  {group.heading && (
                    <Select.Label className="border-b border-rule bg-paper px-3 pt-3 pb-1 cap">
                      {group.heading}
                    </Select.Label>
                  )}
                  {group.options.map((option) => (
                    <Select.Item
                      key={option.value}
                      value={option.value}
                      className="flex min-h-12 items-center justify-between gap-3 border-b border-hair px-3 py-2 text-[1rem] outline-none last:border-b-0 data-[highlighted]:bg-ink data-[highlighted]:text-sheet"
                    >
                      <span>
                        <Select.ItemText>{option.label}</Select.ItemText>
                        {option.detail && (
                          <span className="ml-2 text-sm opacity-75">{option.detail}</span>
                        )}
                      </span>
                      <Select.ItemIndicator>
                        <Check size={17} aria-hidden />
                      </Select.ItemIndicator>
                    </Select.Item>
                  ))}
                </Select.Group>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
      {error && (
        <p id={`${id}-error`} role="alert" className="text-sm font-[560] text-line">
          ▲ {error}
        </p>
      )}
    </div>
  );
}
