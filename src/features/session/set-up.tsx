'use client';

import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { layoutCautions, type Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { groundWords, readWords } from '../drills/ground-words';
import { AsBuilt } from './as-built';
import { TapeList } from '../drills/tape-list';

/** What stands where on the layout being played, for whoever is on their knees with the tape. */
export function SetUp({
  runId,
  layout,
  units,
}: {
  runId: string;
  layout: Layout;
  units: UnitPreferences;
}) {
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button className="min-h-12">Tape list</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 mx-auto max-h-[86dvh] max-w-2xl overflow-auto border-2 border-ink bg-sheet px-5 pt-4 pb-6"
        >
          <div className="flex items-start justify-between gap-3">
            <div>
              <Dialog.Title className="text-[20px] num">Tape list, from the ball mark</Dialog.Title>
              <p className="text-ink2">
                {[readWords(layout), groundWords(layout, units)].filter(Boolean).join(': ')}
              </p>
            </div>
            <Dialog.Close asChild>
              <Button aria-label="Close" className="px-3">
                <X size={18} aria-hidden />
              </Button>
            </Dialog.Close>
          </div>
          <TapeList layout={layout} units={units} />
          <AsBuilt runId={runId} layout={layout} units={units} />
          <ul className="mt-4 grid gap-1 text-sm text-ink2">
            {layoutCautions(layout).map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
