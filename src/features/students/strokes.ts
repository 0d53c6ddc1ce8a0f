import 'server-only';
import { isUsual, type Manner } from '@/core/drill';
import { beliefOfRuns, pointsOf, scoreOf, type Score } from '@/core/scoring';
import type { Session } from '@/data';
import { loggedRuns } from './reading';
import type { SkillName } from '@/core/scoring';

/** Fewer putts than this of a kind are not told of. */
const ENOUGH = 8;
const TOLD: SkillName[] = ['start', 'strike', 'pace'];

/** An unusual stroke, by what it comes to. */
export interface StrokeTold {
  manner: Manner;
  putts: number;
  skills: { skill: SkillName; other: Score; usual: Score | null }[];
}

/** What each unusual stroke comes to by itself, against the same skill struck as usual. */
export function strokesOf(sessions: Session[], faceShare: number): StrokeTold[] {
  const all = loggedRuns(sessions, () => true);
  const of = (wanted: (manner: Manner) => boolean) =>
    beliefOfRuns(
      all.map((run) => ({
        ...run,
        putts: run.putts.filter(({ manner = 'usual' }) => wanted(manner)),
      })),
      faceShare,
      { any: true },
    );
  const manners = new Set(all.flatMap(({ putts }) => putts.map(({ manner = 'usual' }) => manner)));
  const others = [...manners].filter((manner) => !isUsual(manner) && manner !== 'practice');
  if (others.length === 0) return [];
  const usual = of(isUsual);
  return others.flatMap((manner): StrokeTold[] => {
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
