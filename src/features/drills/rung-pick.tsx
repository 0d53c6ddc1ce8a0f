'use client';

import { useTranslations } from 'next-intl';
import { Pick } from '@/ui/pick';

/** Stands for the layout as it is drawn, on no rung. */
const DRAWN = 'drawn';

/** Which rung of a ladder, from 0; null as the drill is drawn. */
export function RungPick({
  rungs,
  rung,
  onRung,
}: {
  /** What each rung sets, in words. */
  rungs: string[];
  rung: number | null;
  onRung: (rung: number | null) => void;
}) {
  const t = useTranslations();
  return (
    <Pick
      label={t('drills.rungPick.rung')}
      placeholder={t('drills.rungPick.chooseARung')}
      options={[
        { value: DRAWN, label: t('drills.rungPick.asDesigned') },
        ...rungs.map((words, index) => ({
          value: String(index),
          label: String(index + 1),
          detail: words,
        })),
      ]}
      value={rung === null ? DRAWN : String(rung)}
      onChange={(value) => onRung(value === DRAWN ? null : Number(value))}
    />
  );
}
