import clsx from 'clsx';
import { Slot } from 'radix-ui';
import type { ComponentProps } from 'react';

export interface ButtonProps extends ComponentProps<'button'> {
  kind?: 'plain' | 'primary' | 'quiet';
  /** Renders its child (a link) with the looks of a button. */
  asChild?: boolean;
}

/** A square-cornered button; one primary on a screen. */
export function Button({ kind = 'plain', asChild = false, className, ...rest }: ButtonProps) {
  const Tag = asChild ? Slot.Root : 'button';
  return (
    <Tag
      {...(!asChild && { type: rest.type ?? 'button' })}
      {...rest}
      className={clsx(
        'inline-flex min-h-11 items-center justify-center gap-2 rounded-[3px] py-2 text-[0.9375rem] font-[620] whitespace-nowrap [font-stretch:92%] disabled:opacity-50',
        kind === 'plain' && 'border-[length:var(--stroke)] border-ink bg-sheet px-4 text-ink',
        kind === 'primary' && 'border-[length:var(--stroke)] border-ink bg-ink px-4 text-sheet',
        kind === 'quiet' && 'px-2 text-ink underline underline-offset-4',
        className,
      )}
    />
  );
}
