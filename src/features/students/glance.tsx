import type { Layout } from '@/core/layout';
import { changeBetween, endsOf, type SessionScore } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { basisOfAll } from './reading';
import { SkillRuler } from './skill-ruler';
import { RULED } from './skill-words';

/** The five rulers below each other. */
export function Glance({
  student,
  scores,
  layout,
  units,
  faceShare,
}: {
  student: Student;
  /** In order of time, at least one. */
  scores: SessionScore[];
  /** Whose hole the start line is measured by. */
  layout: Layout;
  units: UnitPreferences;
  faceShare: number;
}) {
  const last = scores.at(-1)!;
  const basis = basisOfAll(scores);
  return (
    <div className="divide-y divide-hair">
      {RULED.map((skill) => {
        const ends = endsOf(scores, skill);
        return (
          <SkillRuler
            key={skill}
            skill={skill}
            score={last.carried[skill]}
            putts={basis[skill]}
            change={ends && changeBetween(ends.then, ends.now, skill, faceShare)}
            hand={student.hand}
            layout={layout}
            units={units}
          />
        );
      })}
    </div>
  );
}
