import type { Ended } from '@/core/drill';

/** What one going at a drill came to. */
export interface DrillFacts {
  putts: number;
  passed: number;
  /** Longest row of passes. */
  best: number;
  /** Highest rung that was played, from 0; null when on none. */
  rung: number | null;
  ended: Ended | null;
  /** Putts that its rule took. */
  taken: number;
}

/** A share is compared over no fewer putts than this. */
const ENOUGH = 10;
const share = ({ putts, passed }: DrillFacts): number => passed / putts;

/**
 * What a going at a drill brought that none before it had, in sentences; none when there is nothing new.
 *
 * @param now the going looked at
 * @param before the same player's earlier goings at the same drill
 */
export function whatIsNew(now: DrillFacts, before: readonly DrillFacts[]): string[] {
  if (now.putts === 0) return [];
  if (before.length === 0) return ['First time on this drill'];
  const most = (of: (facts: DrillFacts) => number) => Math.max(...before.map(of));
  const told: string[] = [];
  const row = most(({ best }) => best);
  if (now.best > row && now.best > 1) told.push(`Longest streak: ${now.best} (was ${row})`);
  if (now.rung !== null && now.rung > most(({ rung }) => rung ?? -1)) {
    told.push(`Highest rung so far: ${now.rung + 1}`);
  }
  const finished = before.filter(({ ended }) => ended === 'done');
  if (now.ended === 'done') {
    if (finished.length === 0) told.push('Finished for the first time');
    else {
      const fewest = Math.min(...finished.map(({ taken }) => taken));
      if (now.taken < fewest) {
        told.push(`Fewest putts to finish: ${now.taken} (was ${fewest})`);
      }
    }
  }
  const comparable = before.filter(({ putts, rung }) => putts >= ENOUGH && rung === now.rung);
  if (now.putts >= ENOUGH && comparable.length > 0) {
    const highest = Math.max(...comparable.map(share));
    if (share(now) > highest) {
      const percent = (value: number) => `${Math.round(value * 100)} %`;
      told.push(`Best pass rate: ${percent(share(now))} (was ${percent(highest)})`);
    }
  }
  return told;
}
