'use client';

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
        Now {amount(reach.now.middle)} (80 % interval {amount(reach.now.low)} to{' '}
        {amount(reach.now.high)}). Without the bias it would be {amount(reach.centred.middle)}.
        {chance !== null &&
          ` With the bias gone by ${dayWords(by)}, ${aboutTenths(chance)} players like this would meet this goal.`}
      </p>
      {reach.offered === null ? (
        <p>This is good enough, or very nearly. The goal is to keep it.</p>
      ) : (
        inTyped !== window && (
          <p className="flex flex-wrap items-center gap-3">
            <span>
              Realistic by then: {amount(reach.offered)}, met by{' '}
              {aboutTenths(chanceWithin(reach, reach.offered))}.
            </span>
            <Button onClick={() => onTake(inTyped!)}>Use {amount(reach.offered)}</Button>
          </p>
        )
      )}
    </div>
  );
}
