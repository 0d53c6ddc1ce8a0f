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
}: {
  student: Student;
  coach: string;
  /** Null while no putt speaks. */
  known: Known | null;
  units: UnitPreferences;
  at: Date;
}) {
  const basis = known && basisOfAll(known.scores);
  const last = known?.scores.at(-1);
  return (
    <>
      <h1>{student.name}: how you putt</h1>
      <p>
        {format(at, 'd MMMM yyyy')}
        {coach && ` · ${coach}`}
      </p>
      {!known || !last || !basis ? (
        <p>Not enough putts yet.</p>
      ) : (
        <>
          <table>
            <thead>
              <tr>
                <th scope="col">skill</th>
                <th scope="col">8 of 10 putts</th>
                <th scope="col">80 % interval</th>
                <th scope="col">bias</th>
                <th scope="col">based on (putts)</th>
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
          <h2>What to practise</h2>
          {known.findings.length === 0 && <p>No clear pattern in the misses yet.</p>}
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
              Next gate: {showLength(known.next.gap, 'across', units)} between the tees,{' '}
              {showLength(known.next.distance, 'along', units)} from the ball. About{' '}
              {Math.round(known.next.share * 10)} in 10 putts should go through.
            </p>
          )}
        </>
      )}
    </>
  );
}
