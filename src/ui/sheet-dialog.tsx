'use client';

import { useTranslations } from 'next-intl';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './button';

/** A sheet that comes up from below, over what is on the screen. */
export function SheetDialog({
  title,
  sub,
  open,
  onOpen,
  trigger,
  returnsFocus = true,
  children,
}: {
  title: string;
  sub?: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  trigger?: ReactNode;
  /** Whether what had the focus gets it back; a screen whose keys are heard where nothing has it says no. */
  returnsFocus?: boolean;
  children: ReactNode;
}) {
  const t = useTranslations();
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      {trigger && <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>}
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => {
            if (!returnsFocus) event.preventDefault();
          }}
          className="fixed inset-x-0 bottom-0 z-50 mx-auto max-h-[88dvh] max-w-2xl overflow-auto border-2 border-ink bg-sheet px-5 pt-4"
        >
          <div className="flex items-start justify-between gap-3">
            <div>
              <Dialog.Title className="text-[1.25rem] num">{title}</Dialog.Title>
              {sub && <p className="text-ink2">{sub}</p>}
            </div>
            <Dialog.Close asChild>
              <Button aria-label={t('ui.sheetDialog.close')} className="px-3">
                <X size={18} aria-hidden />
              </Button>
            </Dialog.Close>
          </div>
          {children}
          {/* Room below that scrolls: padding would leave words in sight under what sticks to the edge. */}
          <div className="h-6" />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
