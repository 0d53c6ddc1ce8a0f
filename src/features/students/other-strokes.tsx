import { MANNERS, isUsual, type Manner } from '@/core/drill';
import { beliefOfRuns, pointsOf, scoreOf, type Score } from '@/core/scoring';
import type { Session, Student } from '@/data';
import { loggedRuns } from './reading';
import { SKILL_NAMES, biasOf, showAmount, showInterval, type Ruled } from './skill-words';

/** Fewer putts than this of a kind are not told of. */
const ENOUGH = 8;
const TOLD: Ruled[] = ['start', 'strike', 'pace'];

interface Told {
  manner: Manner;
  putts: number;
  skills: { skill: Ruled; other: Score; usual: Score | null }[];
}

/** What each unusual stroke comes to by itself, against the same skill struck as usual. */
function strokesOf(sessions: Session[], faceShare: number): Told[] {
  const all = loggedRuns(sessions, () => true);
  const of = (wanted: (manner: Manner) => boolean) =>
    beliefOfRuns(
      all.map((run) => ({
        ...run,
        putts: run.putts.filter(({ manner = 'usual' }) => wanted(manner)),
      })),
      faceShare,
      true,
    );
  const manners = new Set(all.flatMap(({ putts }) => putts.map(({ manner = 'usual' }) => manner)));
  const others = [...manners].filter((manner) => !isUsual(manner) && manner !== 'practice');
  if (others.length === 0) return [];
  const usual = of(isUsual);
  return others.flatMap((manner): Told[] => {
    const { belief, basis } = of((one) => one === manner);
    const skills = TOLD.flatMap((skill) =>
      basis[skill] < ENOUGH
        ? []
        : [
            {
              skill,
              other: scoreOf(pointsOf(belief, skill, faceShare)),
              usual:
                usual.basis[skill] < ENOUGH
                  ? null
                  : scoreOf(pointsOf(usual.belief, skill, faceShare)),
            },
          ],
    );
    const putts = Math.max(0, ...TOLD.map((skill) => basis[skill]));
    return skills.length > 0 ? [{ manner, putts, skills }] : [];
  });
}

/** One-handed, blind or pushed putts: by themselves, beside the usual stroke; they never move its scores. */
export function OtherStrokes({
  student,
  sessions,
  faceShare,
}: {
  student: Student;
  sessions: Session[];
  faceShare: number;
}) {
  const told = strokesOf(sessions, faceShare);
  if (told.length === 0) return null;
  return (
    <section
      aria-label="Other strokes"
      className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
    >
      <h2 className="text-[20px] num">Other strokes</h2>
      <p className="mt-1 max-w-[68ch] text-[16px] text-ink2">
        Putts struck otherwise than usual. They are kept apart: none of them moves a score above.
      </p>
      <ul className="mt-3 grid gap-x-10 gap-y-4 lg:grid-cols-2">
        {told.map(({ manner, putts, skills }) => (
          <li key={manner} className="border-t border-rule pt-2">
            <p className="text-[17px] font-[640]">
              {MANNERS[manner].label.replace(/^./, (letter) => letter.toUpperCase())}
              <span className="font-[400] text-ink2">, {putts} putts</span>
            </p>
            <ul className="mt-1 grid gap-1 text-[16px]">
              {skills.map(({ skill, other, usual }) => (
                <li key={skill}>
                  {SKILL_NAMES[skill]} ±{showAmount(skill, other.window.middle)}{' '}
                  <span className="text-ink2">
                    (80 % interval {showInterval(skill, other.window)}),{' '}
                    {biasOf(skill, other, student.hand).words}
                    {usual &&
                      `; as usual ±${showAmount(skill, usual.window.middle)}, ${biasOf(skill, usual, student.hand).words}`}
                  </span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
