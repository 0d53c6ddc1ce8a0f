import 'server-only';
import { createHash } from 'node:crypto';
import { libraryDrill, skillWords, type DrillValues } from '@/core/drill';
import {
  blockSpan,
  candidatesOf,
  endsBy,
  lowerRungs,
  missesMet,
  phaseOf,
  setUpOf,
  timeDrill,
  timedOf,
  unsuitedToAny,
  type Candidate,
  type PlanFrame,
  type PlayerTime,
  type Planned,
  type RungWish,
  type Timed,
} from '@/core/planning';
import { getCoach, listDrills, type Database, type Drill, type CoachPrincipal } from '@/data';
import { rungWords } from '../drills/rung-words';
import { notTaken } from '../drills/take';
import { keyOfRef, libraryRef } from './library-ref';
import type { Offer, PlanItem, PlayerRunOffer } from './plan-shape';
import { coachSetUp, plannedStudent, type PlannedStudent } from './players';

/** Times that are kept at once. */
const MOST = 3000;
const kept = new Map<string, PlayerTime>();

/** How a drill runs for a player, kept as long as what it depends on stays the same. */
function timeOf(drill: DrillValues, player: Planned, wish: RungWish): PlayerTime {
  const { fitting, belief, faceShare, seconds } = player;
  const { layout, rule, cap, ladder, minutes } = drill;
  const key = createHash('sha1')
    .update(JSON.stringify([layout, rule, cap, ladder, minutes, fitting, faceShare, seconds, wish]))
    .update(Float64Array.from(belief.mean))
    .update(JSON.stringify(belief.covariance.to1DArray()))
    .digest('base64');
  const known = kept.get(key);
  if (known) return known;
  const time = timeDrill(drill, player, wish);
  kept.set(key, time);
  const oldest = kept.keys().next();
  if (kept.size > MOST && !oldest.done) kept.delete(oldest.value);
  return time;
}

const valuesOf = ({ name, layout, details }: Drill): DrillValues => ({ ...details, name, layout });

/** @param set it stands in a plan, where it is told whether it will end: of all that suits nobody asks */
function runOffer(
  drill: DrillValues,
  { id, player }: PlannedStudent,
  time: PlayerTime,
  set: boolean,
): PlayerRunOffer {
  const { rung, passes, assumed } = time;
  const hardly = set ? endsBy(time, drill.cap, lowerRungs(drill, player, time)) : null;
  return { studentId: id, rung, passes, assumed, hardly };
}

/** What the minutes of a plan rest on: paces that were seen or assumed, and setting up. */
const reckonedWords = (students: readonly PlannedStudent[], setUpSeen: boolean): string => {
  const paces = students.map(
    ({ player: { name, seconds }, paceSeen }) =>
      `${name} at ${Math.round(seconds)} s per putt${paceSeen ? '' : ' (assumed)'}`,
  );
  return `Times are based on ${paces.join(', ')}, and ${setUpSeen ? 'your own' : 'the usual'} set-up time.`;
};

/**
 * What a plan is made from, looked up once: its students as they are known now, every drill, and the coach's own speed.
 *
 * @param frame whom it is for, where, and with what
 */
export async function planner(
  database: Database,
  principal: CoachPrincipal,
  { studentIds, ...ground }: Pick<PlanFrame, 'studentIds' | 'place' | 'kit'>,
  at: Date,
) {
  const [known, drills, { settings }, seen] = await Promise.all([
    Promise.all(studentIds.map((id) => plannedStudent(database, principal, id, at))),
    listDrills(database, principal),
    getCoach(database, principal),
    coachSetUp(database, principal),
  ]);
  const { correction } = settings;
  const students = known.map((one) => ({ ...one, player: { ...one.player, correction } }));
  const players = students.map(({ player }) => player);
  const factor = seen ?? 1;
  const offerOf = (
    ref: string,
    drill: DrillValues,
    times: readonly PlayerTime[],
    timed: Timed,
    set: boolean,
  ): Offer => ({
    ref,
    name: drill.name,
    phase: phaseOf(drill),
    trains: drill.skills.map(skillWords).join(', '),
    meets: missesMet(drill, players),
    rungs: drill.ladder.map((rung) => rungWords(rung, settings.units)),
    players: students.map((student, i) => runOffer(drill, student, times[i]!, set)),
    times: timed.times,
    putts: timed.putts,
    span: blockSpan(timed),
    unsuited: unsuitedToAny(drill, players, ground),
  });

  /** Everything that suits, timed: the coach's own, and what is built in and was not taken yet. */
  function suiting(): { candidates: Candidate[]; offers: Offer[] } {
    const own = drills.filter(({ archivedAt }) => !archivedAt);
    const candidates = candidatesOf(
      [
        ...own.map((drill) => ({ id: drill.id, drill: valuesOf(drill) })),
        ...notTaken(own, settings.units).map((drill) => ({ id: libraryRef(drill.key), drill })),
      ],
      players,
      ground,
      factor,
      (drill, player) => timeOf(drill, player, 'teaching'),
    );
    const offers = candidates.map((one) => offerOf(one.id, one.drill, one.players, one, false));
    return { candidates, offers };
  }

  /** One block as it is set, on its rungs, whether it suits or not; null when there is no such drill any more. */
  function asSet({ ref, rungs }: Pick<PlanItem, 'ref' | 'rungs'>): Offer | null {
    const own = drills.find(({ id }) => id === ref);
    const key = keyOfRef(ref);
    const drill = own ? valuesOf(own) : key ? libraryDrill(key, settings.units) : null;
    if (!drill) return null;
    const times = students.map(({ id, player }) => {
      const rung = rungs[id];
      if (rung === undefined) return timeOf(drill, player, 'teaching');
      return timeOf(drill, player, rung !== null && drill.ladder[rung] ? rung : 'drawn');
    });
    return offerOf(ref, drill, times, timedOf(times, setUpOf(drill, factor)), true);
  }

  return { students, suiting, asSet, reckoned: reckonedWords(students, seen !== null) };
}
