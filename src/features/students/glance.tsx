import { useTranslations } from 'next-intl';
import { quantityOf } from '@/core/quantity';
import type { Student } from '@/data';
import type { ScoreTold } from '../reckoning/history';
import { Term } from '../shared/term';
import { basisOfAll } from './reading';
import { RulersFile } from './rulers-file';
import { SkillRuler, sharedReach } from './skill-ruler';
import type { Changes } from './read-student';
import { RULED, nameOf, ruledOf, type Ruled } from './skill-words';

/** The rulers below each other: the five, and those of what instruments have read. */
export function Glance({
  student,
  scores,
  changes,
}: {
  student: Student;
  /** In order of time, at least one. */
  scores: ScoreTold[];
  changes: Changes;
}) {
  const t = useTranslations();
  const last = scores.at(-1)!;
  const basis = basisOfAll(scores);
  const reach = sharedReach(
    RULED.flatMap((skill) => {
      const score = last.carried[skill];
      return score && (basis[skill] ?? 0) > 0 ? [[skill, score] as const] : [];
    }),
  );
  const rulerOf = (skill: Ruled) => {
    const score = last.carried[skill];
    if (!score) return [];
    const ruler = {
      skill,
      score,
      putts: basis[skill] ?? 0,
      change: changes[skill]?.change ?? null,
      hand: student.hand,
      ...(quantityOf(skill).ruled && { reach }),
    };
    if (ruler.putts === 0) return [<SkillRuler key={skill} {...ruler} />];
    return [
      <div key={skill}>
        <div className="max-md:hidden">
          <SkillRuler {...ruler} />
        </div>
        <SkillRuler {...ruler} folds />
      </div>,
    ];
  };
  const more = ruledOf(basis).filter((skill) => !quantityOf(skill).ruled);
  return (
    <RulersFile name={`Rulers of ${student.name}`}>
      <div className="divide-y divide-hair">
        {RULED.flatMap(rulerOf)}
        <p className="bg-sheet px-4 py-2 text-sm text-ink2 md:px-7">
          {t.rich('students.glance.legend', {
            window: (chunks) => <Term name="window">{chunks}</Term>,
            interval: (chunks) => <Term name="80 % interval">{chunks}</Term>,
            bias: (chunks) => <Term name="bias">{chunks}</Term>,
          })}
        </p>
        {more.length > 0 && (
          <details>
            <summary className="cursor-pointer bg-sheet px-5 py-3 text-[1.0625rem] font-[620] md:px-7">
              {more.length === 1
                ? nameOf(more[0]!)
                : t('students.glance.moreMeasurements', { more: more.length })}
            </summary>
            <div className="divide-y divide-hair border-t border-hair">{more.flatMap(rulerOf)}</div>
          </details>
        )}
      </div>
    </RulersFile>
  );
}
