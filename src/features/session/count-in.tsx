'use client';

import { useTranslations } from 'next-intl';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { KIT, type KitId } from '@/core/people';
import { Button } from '@/ui/button';
import { SheetDialog } from '@/ui/sheet-dialog';

/** Before a session ends: what was put out is counted in again. */
export function CountIn({
  out,
  open,
  onOpen,
  onCounted,
}: {
  /** By kit. */
  out: Record<string, number>;
  open: boolean;
  onOpen: (open: boolean) => void;
  onCounted: (counted: Record<string, number>) => void;
}) {
  const t = useTranslations();
  const [less, setLess] = useState<Record<string, number>>({});
  const missing = Object.values(less).reduce((sum, count) => sum + count, 0);
  return (
    <SheetDialog
      returnsFocus={false}
      title={t('session.countIn.pickUpYourKit')}
      open={open}
      onOpen={onOpen}
    >
      <ul className="mt-3 grid gap-1">
        {Object.entries(out).map(([item, count]) => {
          const { one, many } = KIT[item as KitId];
          const back = count - (less[item] ?? 0);
          const change = (by: number) =>
            setLess((old) => ({ ...old, [item]: Math.min(count, Math.max(0, count - back - by)) }));
          return (
            <li
              key={item}
              className="flex items-center justify-between gap-3 border-b border-hair py-1.5"
            >
              <span className="text-[1.0625rem]">
                {t.rich('session.countIn.of', {
                  back,
                  count,
                  one,
                  many,
                  strong: (chunks) => <strong className="num">{chunks}</strong>,
                })}
              </span>
              <span className="flex gap-2">
                <Button
                  aria-label={t('session.countIn.oneFewer', { one })}
                  className="px-3"
                  onClick={() => change(-1)}
                >
                  <Minus size={18} aria-hidden />
                </Button>
                <Button
                  aria-label={t('session.countIn.oneMore', { one })}
                  className="px-3"
                  onClick={() => change(1)}
                >
                  <Plus size={18} aria-hidden />
                </Button>
              </span>
            </li>
          );
        })}
      </ul>
      <Button
        kind="primary"
        className="mt-4 min-h-14 w-full text-[1.125rem]"
        autoFocus
        onClick={() =>
          onCounted(
            Object.fromEntries(
              Object.entries(out).map(([item, count]) => [item, count - (less[item] ?? 0)]),
            ),
          )
        }
      >
        {missing === 0
          ? t('session.countIn.finishAllCollected')
          : t('session.countIn.finishWithMissing', { missing })}
      </Button>
    </SheetDialog>
  );
}
