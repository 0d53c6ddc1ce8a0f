import type { Layout } from '@/core/layout';
import { changeBetween, type SessionScore } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { basisOfAll } from './reading';
import { SkillRuler } from './skill-ruler';
import { RULED, type Ruled } from './skill-words';

/** The first session that said anything of a skill, to compare the last with. */
const firstOf = (scores: SessionScore[], skill: Ruled) =>
  scores.find(({ basis }) => basis[skill] > 0);

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
        const first = firstOf(scores, skill);
        return (
          <SkillRuler
            key={skill}
            skill={skill}
            score={last.carried[skill]}
            putts={basis[skill]}
            change={first && first !== last ? changeBetween(first, last, skill, faceShare) : null}
            hand={student.hand}
            layout={layout}
            units={units}
          />
        );
      })}
    </div>
  );
}
