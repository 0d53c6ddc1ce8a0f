import type { Translate } from '@/words/translate';
import { format } from '@/ui/when';
import { showLength, type UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import type { Known } from './read-student';
import { basisOfAll } from './reading';
import { nameOf, ruledOf, saysOf, biasOf, showAmount, showInterval } from './skill-words';

/** What stands in a student's report as a file of its own: what is known, in words and numbers. */
export function ReportFile({
  student,
  coach,
  known,
  units,
  at,
  t,
}: {
  student: Student;
  coach: string;
  /** Null while no putt speaks. */
  known: Known | null;
  units: UnitPreferences;
  at: Date;
  t: Translate;
}) {
  const basis = known && basisOfAll(known.scores);
  const last = known?.scores.at(-1);
  return (
    <>
      <h1>{t('students.reportFile.howYouPutt', { student: student.name })}</h1>
      <p>
        {format(at, 'd MMMM yyyy')}
        {coach && ` · ${coach}`}
      </p>
      {!known || !last || !basis ? (
        <p>{t('students.reportFile.notEnoughPuttsYet')}</p>
      ) : (
        <>
          <table>
            <thead>
              <tr>
                <th scope="col">{t('students.reportFile.skill')}</th>
                <th scope="col">{t('students.reportFile.n8Of10Putts')}</th>
                <th scope="col">{t('students.reportFile.n80Interval')}</th>
                <th scope="col">{t('students.reportFile.bias')}</th>
                <th scope="col">{t('students.reportFile.basedOnPutts')}</th>
              </tr>
            </thead>
            <tbody>
              {ruledOf(basis).map((skill) => {
                const score = last.carried[skill];
                if (!score || !basis[skill]) return null;
                return (
                  <tr key={skill}>
                    <td>{nameOf(skill)}</td>
                    <td>
                      {saysOf(skill)} ±{showAmount(skill, score.window.middle)}
                    </td>
                    <td>{showInterval(skill, score.window)}</td>
                    <td>{biasOf(skill, score, student.hand).words}</td>
                    <td>{basis[skill]}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <h2>{t('students.reportFile.whatToPractise')}</h2>
          {known.findings.length === 0 && <p>{t('students.reportFile.noClearPatternInThe')}</p>}
          <ol>
            {known.findings.map(({ id, seen, cause, drills }) => (
              <li key={id}>
                <strong>{seen}</strong> {cause}{' '}
                {drills.map(({ name, dose }) => `${name} (${dose})`).join(' · ')}
              </li>
            ))}
          </ol>
          {known.next && (
            <p>
              {t('students.reportFile.nextGateBetweenTheTees', {
                gap: showLength(known.next.gap, 'across', units),
                distance: showLength(known.next.distance, 'along', units),
                share: Math.round(known.next.share * 10),
              })}
            </p>
          )}
        </>
      )}
    </>
  );
}
