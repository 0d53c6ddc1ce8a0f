import type { Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import type { ScoreTold } from '../reckoning/history';
import { basisOfAll } from './reading';
import { SkillRuler } from './skill-ruler';
import type { Changes } from './read-student';
import { ruledOf } from './skill-words';

/** The rulers below each other: the five, and those of what instruments have read. */
export function Glance({
  student,
  scores,
  layout,
  units,
  changes,
}: {
  student: Student;
  /** In order of time, at least one. */
  scores: ScoreTold[];
  /** Whose hole the start line is measured by. */
  layout: Layout;
  units: UnitPreferences;
  changes: Changes;
}) {
  const last = scores.at(-1)!;
  const basis = basisOfAll(scores);
  return (
    <div className="divide-y divide-hair">
      {ruledOf(basis).flatMap((skill) => {
        const score = last.carried[skill];
        if (!score) return [];
        return [
          <SkillRuler
            key={skill}
            skill={skill}
            score={score}
            putts={basis[skill] ?? 0}
            change={changes[skill]?.change ?? null}
            hand={student.hand}
            layout={layout}
            units={units}
          />,
        ];
      })}
    </div>
  );
}
