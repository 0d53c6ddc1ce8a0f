import type { Translate } from '@/words/translate';
import {
  COLD_RULE,
  beginOn,
  blocksOf,
  onFloor,
  cardOf,
  lotOf,
  moveOn,
  ruleDrawn,
  ruleTraits,
} from '@/core/drill';
import {
  checkLayout,
  findingWords,
  fitted,
  nearestRung,
  onCarpet,
  type Layout,
} from '@/core/layout';
import { teachingRung } from '@/core/planning';
import { beliefFrom } from '@/core/scoring';
import { rungWords } from '../drills/rung-words';
import type { PlayerRun } from '../session/play';
import type { WireRun } from '../session/wire';
import type { BegunRun, BegunSession, Kept, KeptDrill, KeptStudent } from './wire';

/** A session that was begun here, and how far it is on its way. */
export interface BegunHere extends BegunSession {
  /** The link of the student whose own page it was begun on; empty for a coach's device. */
  home: string;
  /** The student's, to tell it by. */
  name: string;
  /** Who began it: a coach, or a student at home. It is sent as theirs only; an earlier version did not say. */
  owner?: string;
  ownerName?: string;
  /** What the server has of it, as it was sent last; null for nothing. */
  sent: string | null;
  /** Why the server will not take it; null while nothing speaks against it. */
  refused: string | null;
  /** What somebody else noted meanwhile, to be settled; null where nothing is. */
  theirs: string | null;
}

/** Whom a session is for, and on what. */
export interface Chosen {
  studentId: string;
  ref: string;
  /** From 0; null as the drill is drawn. */
  rung: number | null;
}

export interface Stamps {
  newId(): string;
  now(): string;
}

const found = <T>(thing: T | undefined, what: string): T => {
  if (thing === undefined) throw new RangeError(`${what} is not saved on this device.`);
  return thing;
};
export const studentOf = (t: Translate, { students }: Kept, id: string): KeptStudent =>
  found(
    students.find((one) => one.id === id),
    t('offline.begun.theStudent'),
  );
export const drillOf = (t: Translate, { drills }: Kept, ref: string): KeptDrill =>
  found(
    drills.find((one) => one.ref === ref),
    t('offline.begun.theDrill'),
  );

/**
 * The rung of a drill that teaches a student, as they were known when this was kept.
 *
 * @returns from 0; null without a ladder, or where nothing is known of them
 */
export function rungFor(
  t: Translate,
  kept: Kept,
  { studentId, ref }: Omit<Chosen, 'rung'>,
): number | null {
  const { fitting, belief } = studentOf(t, kept, studentId);
  const { layout, details, homework } = drillOf(t, kept, ref);
  if (homework) return homework.rung;
  if (!belief || details.ladder.length === 0) return null;
  const own = fitted(layout, fitting);
  return teachingRung(own, details.ladder, beliefFrom(belief), kept.faceShare).rung;
}

function runOf(
  t: Translate,
  kept: Kept,
  { studentId, ref, rung }: Chosen,
  block: number,
  cold: boolean,
  newId: () => string,
): BegunRun {
  const student = studentOf(t, kept, studentId);
  const { name, versionId, layout: drawn, details } = drillOf(t, kept, ref);
  const asked = { ...details, layout: drawn };
  const { layout: own, rung: begun } = beginOn(asked, student.fitting, rung ?? undefined);
  const layout = kept.carpet !== null && onFloor(details) ? onCarpet(own, kept.carpet) : own;
  const wrong = checkLayout(layout).find(({ severity }) => severity === 'error');
  if (wrong) {
    throw new RangeError(
      `${name} cannot be set up for ${student.name}: ${findingWords(wrong, kept.units)}`,
    );
  }
  return {
    ...{ id: newId(), ref, versionId, drillName: name, layout, rung: begun, block },
    cold: cold || !!ruleTraits(details.rule).cold,
    rule: cold ? COLD_RULE : ruleDrawn(details.rule, lotOf(newId())),
  };
}

/** What whoever uses this device is called: the coach, or the student at home. */
export const ownerNameOf = (t: Translate, { coach, students }: Kept, home: string): string =>
  (home === '' ? coach : students[0]?.name) || t('offline.begun.anotherCoach');

/**
 * Begins a session for each of some students, in rotation where there are several.
 *
 * @param home the link of a student's own page; empty on a coach's device
 * @throws RangeError with a sentence when a drill cannot be set up for one of them, or one is named twice
 */
export function beginHere(
  t: Translate,
  kept: Kept,
  players: readonly Chosen[],
  { cold, home, newId, now }: { cold: boolean; home: string } & Stamps,
): BegunHere[] {
  if (new Set(players.map(({ studentId }) => studentId)).size < players.length) {
    throw new RangeError('A student is listed twice. Each student putts once in a rotation.');
  }
  const runs = players.map((player) => runOf(t, kept, player, 1, cold, newId));
  const ids = players.map(() => newId());
  const startedAt = now();
  return players.map(({ studentId, ref }, index) => ({
    id: ids[index]!,
    studentId,
    groupId: players.length > 1 ? ids[0]! : null,
    place: index + 1,
    homeworkId: drillOf(t, kept, ref).homework?.id ?? null,
    startedAt,
    finishedAt: null,
    note: '',
    noteWas: '',
    runs: [runs[index]!],
    home,
    name: studentOf(t, kept, studentId).name,
    ...{ owner: kept.owner, ownerName: ownerNameOf(t, kept, home) },
    ...{ sent: null, refused: null, theirs: null },
  }));
}

/** The same session on another rung of its drill. */
export function moved(
  t: Translate,
  kept: Kept,
  session: BegunHere,
  rung: number,
  newId: () => string,
): BegunHere {
  const last = session.runs.at(-1)!;
  const { layout, details } = drillOf(t, kept, last.ref);
  const next = moveOn({ layout, ladder: details.ladder }, last.layout, rung);
  return { ...session, runs: [...session.runs, { ...last, id: newId(), layout: next, rung }] };
}

/** The same session on another drill, or anew on the same: a new going. */
export function swapped(
  t: Translate,
  kept: Kept,
  session: BegunHere,
  { ref, rung }: Omit<Chosen, 'studentId'>,
  newId: () => string,
): BegunHere {
  const block = 1 + session.runs.at(-1)!.block;
  const run = runOf(t, kept, { studentId: session.studentId, ref, rung }, block, false, newId);
  return { ...session, runs: [...session.runs, run] };
}

/** A group moved on by one station: everyone takes the drill of the one before them, on the rung they had come to there. */
export function rotated(
  t: Translate,
  kept: Kept,
  group: readonly BegunHere[],
  newId: () => string,
): BegunHere[] {
  const lasts = group.map(({ runs }) => runs.at(-1)!);
  return group.map((session, index) => {
    const { ref } = lasts[(index + lasts.length - 1) % lasts.length]!;
    const before = session.runs.findLast((run) => run.ref === ref);
    return swapped(t, kept, session, { ref, rung: before?.rung ?? null }, newId);
  });
}

const NONE: WireRun = { putts: [], marks: [] };

/** A session that was begun here as the logging screen takes it, with what was logged of its runs. */
export function playerOf(
  t: Translate,
  kept: Kept,
  session: BegunHere,
  logged: ReadonlyMap<string, WireRun>,
): PlayerRun {
  const block = blocksOf(session.runs).at(-1)!;
  const run = block.at(-1)!;
  const { details } = drillOf(t, kept, run.ref);
  const of = ({ id }: BegunRun) => logged.get(id) ?? NONE;
  return {
    sessionId: session.id,
    runId: run.id,
    student: { id: session.studentId, name: session.name },
    drillId: run.ref,
    drillName: run.drillName,
    layout: run.layout,
    run: of(run),
    rule: run.rule ?? details.rule,
    cap: details.cap,
    manners: run.cold ? [] : details.manners,
    spots: details.spots,
    farther: kept.units.own.putter,
    cold: run.cold,
    ladder: details.ladder.map((rung) => rungWords(rung, kept.units)),
    rung: run.rung,
    begunOn: block[0]!.rung,
    nearest: run.rung ?? nearestRung(run.layout, details.ladder),
    card: cardHere(t, kept, session, logged),
    plan: null,
    earlier: block.slice(0, -1).map((one) => {
      const { putts, marks } = of(one);
      return {
        layout: one.layout as Layout,
        putts: putts
          .filter(({ undone, leftOut }) => !undone && !leftOut)
          .map(({ outcomes, points = {}, guess = null, place, manner, at }) => ({
            ...{ outcomes, points, guess, place, manner },
            at: new Date(at),
          })),
        marks: marks.map(({ mark, at }) => ({ mark, at: new Date(at) })),
      };
    }),
  };
}

/** The last set-up card of a session that was begun here, or else the one that was known when this was kept. */
function cardHere(
  t: Translate,
  kept: Kept,
  { studentId, runs }: BegunHere,
  logged: ReadonlyMap<string, WireRun>,
): PlayerRun['card'] {
  const { card, putters } = studentOf(t, kept, studentId);
  const marks = runs.flatMap(({ id }) => logged.get(id)?.marks ?? []);
  const last = marks.findLast(({ mark }) => mark.type === 'card');
  const own = cardOf(marks);
  return {
    last: last && own ? { card: own, at: last.at } : card,
    today: own !== null,
    putters,
  };
}

/** What of a session the server is sent, and is compared by. */
export const toSend = ({
  home: _home,
  name: _name,
  owner: _owner,
  ownerName: _ownerName,
  sent: _sent,
  refused: _refused,
  theirs: _theirs,
  ...session
}: BegunHere): BegunSession => session;
