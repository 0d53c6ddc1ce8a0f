import type { Layout } from '@/core/layout';
import type { Hand } from '@/core/people';
import type { Score } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import { SkillRuler } from './skill-ruler';
import type { Ruled } from './skill-words';

/** One ruler among others. */
export interface ComparedRow {
  name: string;
  /** To what it rests on. */
  href: string;
  score: Score;
  putts: number;
  hand: Hand;
  layout: Layout;
}

/** Rulers of one skill below each other, all on one scale. */
export function Compared({
  skill,
  comparisons,
  units,
}: {
  skill: Ruled;
  comparisons: { title: string; rows: ComparedRow[] }[];
  units: UnitPreferences;
}) {
  const reach = Math.max(
    ...comparisons.flatMap(({ rows }) =>
      rows.flatMap(({ score: { window, bias } }) => [
        window.high,
        Math.abs(bias.low),
        Math.abs(bias.high),
      ]),
    ),
  );
  return comparisons.map(({ title, rows }) => (
    <section key={title} aria-label={title || 'Students'}>
      {title && <h2 className="px-4 pt-4 pb-2 text-[1.1875rem] num md:px-7">{title}</h2>}
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
    </section>
  ));
}
