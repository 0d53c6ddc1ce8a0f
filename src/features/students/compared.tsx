import { useTranslations } from 'next-intl';
import type { Hand } from '@/core/people';
import type { Score } from '@/core/scoring';
import { SkillRuler, sharedReach } from './skill-ruler';
import type { Ruled } from './skill-words';

/** One ruler among others. */
export interface ComparedRow {
  name: string;
  /** To what it rests on. */
  href: string;
  score: Score;
  putts: number;
  hand: Hand;
}

/** Rulers of one skill below each other, all on one scale. */
export function Compared({
  skill,
  comparisons,
}: {
  skill: Ruled;
  comparisons: { title: string; rows: ComparedRow[] }[];
}) {
  const t = useTranslations();
  const reach = sharedReach(
    comparisons.flatMap(({ rows }) => rows.map(({ score }) => [skill, score] as const)),
  );
  return comparisons.map(({ title, rows }) => (
    <section key={title} aria-label={title || t('students.compared.students')}>
      {title && <h2 className="px-4 pt-4 pb-2 text-[1.1875rem] num md:px-7">{title}</h2>}
      <div className="divide-y divide-hair border-y-[length:var(--stroke)] border-ink">
        {rows.map((row) => (
          <SkillRuler
            key={`${row.name} ${row.href}`}
            {...row}
            skill={skill}
            change={null}
            reach={reach}
          />
        ))}
      </div>
    </section>
  ));
}
