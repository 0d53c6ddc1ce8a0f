'use client';

import { useTranslations } from 'next-intl';
import { useState, type ReactNode } from 'react';
import {
  hiddenByGap,
  layoutCautions,
  layoutChecklist,
  layoutKit,
  type Layout,
} from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { greenWords } from '../drills/ground-words';
import { TapeList } from '../drills/tape-list';
import { AsBuilt } from './as-built';
import { useWays } from './ways';
import { SheetDialog } from '@/ui/sheet-dialog';

/** What is put on the green and has to come off it again; a pen or a tape stays in the hand. */
const IN_HAND = ['pen', 'tape', 'blindfold'];

/** What of a layout is counted out and in. */
export const countedKit = (layout: Layout) =>
  layoutKit(layout).filter(({ item }) => !IN_HAND.includes(item));

/** "4 tees, 1 coin". */
export const kitList = (kit: { name: string; count: number }[]): string =>
  kit.map(({ name, count }) => `${count} ${name}`).join(', ');

/**
 * What stands where on the layout being played, for whoever is on their knees with the tape. Opened by itself once for
 * a layout, before its first putt; then it says when it stands.
 */
export function SetUp({
  runId,
  studentId,
  layout,
  units,
  ready,
  stands,
  onStands,
  card,
}: {
  runId: string;
  studentId: string;
  layout: Layout;
  units: UnitPreferences;
  /** What the device has kept is known. */
  ready: boolean;
  /** Set up already. */
  stands: boolean;
  onStands: (out: Record<string, number>) => void;
  /** How the player stands and holds it. */
  card: ReactNode;
}) {
  const t = useTranslations();
  const [looked, setOpen] = useState<boolean | null>(null);
  const open = looked ?? (ready && !stands);
  const kit = countedKit(layout);
  const checklist = layoutChecklist(layout);
  const { built } = useWays();
  const hidden = hiddenByGap(layout);
  const stand = () => onStands(Object.fromEntries(kit.map(({ item, count }) => [item, count])));
  return (
    <SheetDialog
      returnsFocus={false}
      title={stands ? t('session.setUp.tapeListFromTheBall') : t('session.setUp.setUpFromTheBall')}
      sub={greenWords(layout, units)}
      open={open}
      onOpen={setOpen}
      trigger={<Button className="min-h-12">{t('session.setUp.tapeList')}</Button>}
    >
      <TapeList layout={layout} units={units} />
      {checklist.length > 0 && (
        <ul className="mt-3 grid gap-1 text-[0.9375rem]">
          {checklist.map((words) => (
            <li key={words}>□ {words}</li>
          ))}
        </ul>
      )}
      {!stands && (
        <div className="sticky bottom-0 mt-4 grid gap-2 border-t-[length:var(--stroke)] border-ink bg-sheet py-3">
          {kit.length > 0 && (
            <p className="text-[1rem]">
              {t.rich('session.setUp.outOnTheGreenCount', {
                kitList: kitList(kit),
                strong: (chunks) => <strong>{chunks}</strong>,
              })}
            </p>
          )}
          {hidden !== null && built && (
            <p className="text-[1rem]">
              {t('session.setUp.measureTheGapFirstA', { share: Math.round(100 * hidden) })}
            </p>
          )}
          <div className="grid gap-2 sm:grid-cols-2">
            <Button
              kind="primary"
              className="min-h-14 text-[1.125rem] only:col-span-full"
              autoFocus
              onClick={() => {
                stand();
                setOpen(false);
              }}
            >
              {t('session.setUp.startPutting')}
            </Button>
            {hidden !== null && built && (
              <Button
                className="min-h-14 text-[1.125rem]"
                onClick={() => {
                  stand();
                  setOpen(true);
                }}
              >
                {t('session.setUp.setUpMeasureTheGap')}
              </Button>
            )}
          </div>
        </div>
      )}
      <div className="mt-4 border-t border-rule pt-3">{card}</div>
      <ul className="mt-4 grid gap-1 text-sm text-ink2">
        {layoutCautions(layout).map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
      {stands && <AsBuilt runId={runId} studentId={studentId} layout={layout} units={units} />}
    </SheetDialog>
  );
}
