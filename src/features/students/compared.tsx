import type { Layout } from '@/core/layout';
import type { Hand } from '@/core/people';
import type { Score } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import { SkillRuler } from './skill-ruler';
import type { Ruled } from './skill-words';

/** One ruler among others. */
export interface ComparedRow {
  name: string;
  href: string;
  score: Score;
  putts: number;
  hand: Hand;
  layout: Layout;
}

/** Rulers of one skill below each other, on one scale. */
export function Compared({
  skill,
  rows,
  units,
}: {
  skill: Ruled;
  rows: ComparedRow[];
  units: UnitPreferences;
}) {
  const reach = Math.max(
    ...rows.flatMap(({ score: { window, bias } }) => [
      window.high,
      Math.abs(bias.low),
      Math.abs(bias.high),
    ]),
  );
  return (
    <div className="divide-y divide-hair border-y-[length:var(--stroke)] border-ink">
      {rows.map((row) => (
        <SkillRuler
          key={`${row.name} ${row.href}`}
          {...row}
          skill={skill}
          change={null}
          units={units}
          reach={reach}
        />
      ))}
    </div>
  );
}
