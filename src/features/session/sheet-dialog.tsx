'use client';

import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from '@/ui/button';

/** A sheet that comes up from below, over the logging screen. */
export function SheetDialog({
  title,
  sub,
  open,
  onOpen,
  trigger,
  children,
}: {
  title: string;
  sub?: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  trigger?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      {trigger && <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>}
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          // The keys of the logging screen are heard where nothing has the focus: it does not go back to a button.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="fixed inset-x-0 bottom-0 z-50 mx-auto max-h-[88dvh] max-w-2xl overflow-auto border-2 border-ink bg-sheet px-5 pt-4 pb-6"
        >
          <div className="flex items-start justify-between gap-3">
            <div>
              <Dialog.Title className="text-[20px] num">{title}</Dialog.Title>
              {sub && <p className="text-ink2">{sub}</p>}
            </div>
            <Dialog.Close asChild>
              <Button aria-label="Close" className="px-3">
                <X size={18} aria-hidden />
              </Button>
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
