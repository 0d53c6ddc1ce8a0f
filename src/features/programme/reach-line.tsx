'use client';

import { useTranslations } from 'next-intl';
import { daySchema, dayWords } from '@/core/calendar';
import { chanceWithin } from '@/core/planning';
import { Button } from '@/ui/button';
import { useLatest } from '@/ui/use-latest';
import { showAmount } from '../students/skill-words';
import { askReach } from './date-actions';
import { aimUnit } from './programme-form-schema';
import { aboutTenths } from './totals-words';

/** What this player has now, how likely the aim is, and one that lies within reach, to take with one touch. */
export function ReachLine({
  studentId,
  skill,
  window,
  by,
  onTake,
}: {
  studentId: string;
  skill: string;
  /** As it is typed, in the skill's typed unit. */
  window: number;
  by: string;
  onTake: (window: number) => void;
}) {
  const t = useTranslations();
  const askable = studentId !== '' && daySchema.safeParse(by).success;
  const key = askable ? [studentId, skill, by].join() : null;
  const told = useLatest(key, async () => ({
    of: key,
    result: await askReach({ studentId, skill, by }),
  }));
  // An answer to what was asked before is none to this.
  const reach = told?.of === key && told.result.ok ? told.result.value : null;
  if (!reach) return null;
  const { size } = aimUnit(skill);
  const amount = (value: number) => `±${showAmount(skill, value)}`;
  const chance = window > 0 ? chanceWithin(reach, window * size) : null;
  const inTyped = reach.offered === null ? null : Number((reach.offered / size).toPrecision(4));
  return (
    <div role="status" className="grid gap-2.5 border-l-4 border-hole pl-3 text-[1rem]">
      <p>
        {t('programme.reachLine.now80IntervalToWithout', {
          amount: amount(reach.now.middle),
          amount2: amount(reach.now.low),
          amount3: amount(reach.now.high),
          amount4: amount(reach.centred.middle),
        })}
        {chance !== null &&
          t('programme.reachLine.withTheBiasGoneBy', {
            by: dayWords(by),
            aboutTenths: aboutTenths(t, chance),
          })}
      </p>
      {reach.offered === null ? (
        <p>{t('programme.reachLine.thisIsGoodEnoughOr')}</p>
      ) : (
        inTyped !== window && (
          <p className="flex flex-wrap items-center gap-3">
            <span>
              {t('programme.reachLine.realisticByThenMetBy', {
                amount: amount(reach.offered),
                aboutTenths: aboutTenths(t, chanceWithin(reach, reach.offered)),
              })}
            </span>
            <Button onClick={() => onTake(inTyped!)}>
              {t('programme.reachLine.use', { amount: amount(reach.offered) })}
            </Button>
          </p>
        )
      )}
    </div>
  );
}
