'use client';

import { useEffect, useState } from 'react';
import { daySchema, dayWords } from '@/core/calendar';
import { chanceWithin, type Reach } from '@/core/planning';
import { Button } from '@/ui/button';
import { showAmount } from '../students/skill-words';
import { askReach } from './date-actions';
import { aimUnit } from './programme-form-schema';

/** How long a day that is typed is left alone before it is asked about, ms. */
const SETTLES = 300;

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
  const [told, setTold] = useState<{ of: string; reach: Reach | null }>();
  const of = [studentId, skill, by].join();
  const askable = studentId !== '' && daySchema.safeParse(by).success;
  useEffect(() => {
    if (!askable) return;
    let wanted = true;
    const timer = setTimeout(() => {
      void askReach({ studentId, skill, by }).then((result) => {
        if (wanted) setTold({ of, reach: result.ok ? result.value : null });
      });
    }, SETTLES);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [studentId, skill, by, of, askable]);
  const reach = askable && told?.of === of ? told.reach : null;
  if (!reach) return null;
  const { size } = aimUnit(skill);
  const amount = (value: number) => `±${showAmount(skill, value)}`;
  const chance = window > 0 ? chanceWithin(reach, window * size) : null;
  const inTyped = reach.offered === null ? null : Number((reach.offered / size).toPrecision(4));
  return (
    <div role="status" className="grid gap-2.5 border-l-4 border-hole pl-3 text-[1rem]">
      <p>
        Now {amount(reach.now.middle)}, 80 % sure between {amount(reach.now.low)} and{' '}
        {amount(reach.now.high)}; with the bias gone that is {amount(reach.centred.middle)}.
        {chance !== null &&
          ` Centred by ${dayWords(by)}, about ${outOfTen(chance)} such players hold this aim.`}
      </p>
      {reach.offered === null ? (
        <p>What is good enough is held, or all but: the aim is to keep it.</p>
      ) : (
        inTyped !== window && (
          <p className="flex flex-wrap items-center gap-3">
            <span>
              Within reach by then: {amount(reach.offered)}, held by about{' '}
              {outOfTen(chanceWithin(reach, reach.offered))}.
            </span>
            <Button onClick={() => onTake(inTyped!)}>Take {amount(reach.offered)}</Button>
          </p>
        )
      )}
    </div>
  );
}

/** A chance as a coach says it: "3 of 10"; at the ends "fewer than 1 of 10". */
const outOfTen = (chance: number): string =>
  chance < 0.05
    ? 'fewer than 1 of 10'
    : chance > 0.95
      ? 'more than 9 of 10'
      : `${Math.max(1, Math.round(10 * chance))} of 10`;
