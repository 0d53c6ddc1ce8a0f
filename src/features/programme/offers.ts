import 'server-only';
import { createHash } from 'node:crypto';
import { LIBRARY, SKILL_WORDS, type DrillValues } from '@/core/drill';
import {
  blockSpan,
  candidatesOf,
  endsBy,
  lowerRungs,
  phaseOf,
  setUpOf,
  timeDrill,
  timedOf,
  unsuited,
  type Candidate,
  type Ground,
  type Offered,
  type PlayerTime,
  type Planned,
  type RungWish,
} from '@/core/planning';
import type { UnitPreferences } from '@/core/units';
import { listDrills, type Database, type Drill } from '@/data';
import { rungWords } from '../drills/rung-words';
import type { Offer, PlanItem, PlayerRunOffer } from './plan-shape';
import { coachSetUp, type PlannedStudent } from './players';

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

const LIB = 'lib:';
export const libraryRef = (key: string): string => `${LIB}${key}`;
/** The key of a built-in drill; null for one of the coach's own. */
export const keyOfRef = (ref: string): string | null =>
  ref.startsWith(LIB) ? ref.slice(LIB.length) : null;

const valuesOf = ({ name, layout, details }: Drill): DrillValues => ({ ...details, name, layout });

/** Every drill that a plan can hold: the coach's own, and those built in that were not taken yet. */
export async function allOffered(database: Database, owner: string): Promise<Offered[]> {
  const own = (await listDrills(database, owner)).filter(({ archivedAt }) => !archivedAt);
  const taken = new Set(own.map(({ origin }) => origin));
  return [
    ...own.map((drill) => ({ id: drill.id, drill: valuesOf(drill) })),
    ...LIBRARY.filter(({ key }) => !taken.has(key)).map((drill) => ({
      id: libraryRef(drill.key),
      drill,
    })),
  ];
}

/** The drill of a block, though it may have been put away since. */
async function drillOfRef(
  database: Database,
  owner: string,
  ref: string,
): Promise<DrillValues | null> {
  const own = (await listDrills(database, owner)).find(({ id }) => id === ref);
  return own ? valuesOf(own) : (LIBRARY.find(({ key }) => libraryRef(key) === ref) ?? null);
}

interface Made {
  drill: DrillValues;
  students: readonly PlannedStudent[];
  units: UnitPreferences;
}

function runOffer(
  drill: DrillValues,
  { id, player }: PlannedStudent,
  time: PlayerTime,
): PlayerRunOffer {
  return {
    studentId: id,
    rung: time.rung,
    passes: time.passes,
    assumed: time.assumed,
    hardly: endsBy(time, drill.cap, lowerRungs(drill, player, time)),
  };
}

const offerOf = (
  { drill, students, units }: Made,
  ref: string,
  times: readonly PlayerTime[],
  timed: Pick<Offer, 'times' | 'putts'>,
  meets: readonly string[],
  unsuited: string | null,
): Offer => ({
  ref,
  name: drill.name,
  phase: phaseOf(drill),
  trains: drill.skills.map((skill) => SKILL_WORDS[skill]).join(', '),
  meets,
  rungs: drill.ladder.map((rung) => rungWords(rung, units)),
  players: students.map((student, i) => runOffer(drill, student, times[i]!)),
  times: timed.times,
  putts: timed.putts,
  span: blockSpan(timed),
  unsuited,
});

/** Everything that suits some students there, timed. */
export async function offersFor(
  database: Database,
  owner: string,
  students: readonly PlannedStudent[],
  ground: Ground,
  units: UnitPreferences,
): Promise<{ candidates: Candidate[]; offers: Offer[] }> {
  const factor = (await coachSetUp(database, owner)) ?? 1;
  const { candidates } = candidatesOf(
    await allOffered(database, owner),
    students.map(({ player }) => player),
    ground,
    factor,
    (drill, player) => timeOf(drill, player, 'teaching'),
  );
  const offers = candidates.map((candidate) => {
    const { id, drill, players, meets } = candidate;
    return offerOf({ drill, students, units }, id, players, candidate, meets, null);
  });
  return { candidates, offers };
}

/** One block timed as it is set: on its rungs, whether it suits or not. */
export async function offerOfItem(
  database: Database,
  owner: string,
  students: readonly PlannedStudent[],
  ground: Ground,
  units: UnitPreferences,
  { ref, rungs }: Pick<PlanItem, 'ref' | 'rungs'>,
): Promise<Offer | null> {
  const drill = await drillOfRef(database, owner, ref);
  if (!drill) return null;
  const factor = (await coachSetUp(database, owner)) ?? 1;
  const times = students.map(({ id, player }) => {
    const rung = rungs[id];
    if (rung === undefined) return timeOf(drill, player, 'teaching');
    return timeOf(drill, player, rung !== null && drill.ladder[rung] ? rung : 'drawn');
  });
  const whys = students.map(({ player }) => unsuited(drill, player, ground));
  return offerOf(
    { drill, students, units },
    ref,
    times,
    timedOf(times, setUpOf(drill, factor)),
    drill.misses.filter((miss) => students.some(({ player }) => player.misses.includes(miss))),
    whys.find((why) => why !== null) ?? null,
  );
}
