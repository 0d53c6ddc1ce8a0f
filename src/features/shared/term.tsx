'use client';

import { useTranslations } from 'next-intl';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { GLOSSARY, type GlossaryTerm } from './glossary';

/** A word of art that explains itself, touched or pointed at. */
export function Term({ name, children }: { name: GlossaryTerm; children?: ReactNode }) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={t('shared.term.whatDoesThisMean', {
          term: typeof children === 'string' ? children : name,
        })}
        onPointerEnter={({ pointerType }) => pointerType === 'mouse' && setOpen(true)}
        onPointerLeave={({ pointerType }) => pointerType === 'mouse' && setOpen(false)}
        className="inline-block min-h-6 cursor-help px-0.5 leading-6 underline decoration-dotted decoration-2 underline-offset-4"
      >
        {children ?? name}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          onOpenAutoFocus={(event) => event.preventDefault()}
          className="z-50 max-w-[min(88vw,320px)] rounded-[3px] border-2 border-ink bg-sheet px-3.5 py-2.5 text-[1rem] text-ink"
        >
          {GLOSSARY[name]}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
