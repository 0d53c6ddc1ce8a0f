import { z } from 'zod';
import { skills, skillWords, type Skill } from '@/core/drill';
import { isTrained } from '@/core/quantity';
import {
  allDaysOffSchema,
  dayAfter,
  daysBetween,
  daySchema,
  dayWords,
  offOn,
  offWords,
  timeSchema,
  weekdayOf,
  type Day,
  type DaysOff,
} from '@/core/calendar';
import { trainedSchema, type Need } from './needs';

/** When a student comes or practises, every week. */
export const slotSchema = z.object({
  /** 1 Monday to 7 Sunday. */
  weekday: z.number().int().min(1).max(7),
  time: timeSchema.nullable(),
  minutes: z
    .number()
    .int()
    .min(10, 'Too short: use 10 to 180 minutes.')
    .max(180, 'Too long: use 10 to 180 minutes.'),
  kind: z.enum(['lesson', 'practice']),
});

export type Slot = z.infer<typeof slotSchema>;

/** What a programme is to be. */
export const programmeSchema = z.object({
  from: daySchema,
  weeks: z
    .number()
    .int()
    .min(1, 'Too short: use 1 to 26 weeks.')
    .max(26, 'Too long: use 1 to 26 weeks.'),
  slots: z
    .array(slotSchema)
    .min(1, 'Choose at least one day of the week.')
    .max(14, 'Too many: use up to 14 days.')
    .refine(
      (slots) =>
        new Set(slots.map(({ weekday, time }) => `${weekday} ${time}`)).size === slots.length,
      'The same day and time is entered twice.',
    ),
  /** Weeks from one cold test to the next. */
  testEvery: z.number().int().min(1).max(12),
  /** An eight-in-ten window to come to, in the skill's unit, by the end or an earlier day. */
  aim: z.object({ skill: trainedSchema, window: z.number().positive(), by: daySchema }),
  /** When this student is away. */
  off: allDaysOffSchema.default([]),
});

export type ProgrammeValues = z.infer<typeof programmeSchema>;

/** One day of a programme. */
export interface Entry {
  day: Day;
  time: string | null;
  minutes: number;
  kind: 'lesson' | 'practice' | 'test';
  /** What is worked on, the main thing first; none where the test takes all the time. */
  skills: Skill[];
  /** What was trained a week ago and is tested again first, on its own. */
  retest: Skill | null;
  state: 'planned' | 'done' | 'missed';
}

/** A change of a programme, and why. */
export interface ProgrammeChange {
  day: Day;
  words: string;
}

/** A cold test takes so much, minutes; in what is left something is trained. */
const TEST_TAKES = 20;
const LEAST = 15;
/** Days after which what was trained is tested again. */
const RETEST_AFTER = 7;
/** Nothing is put off for longer than counts, days. */
const LONGEST = 21;
/** What puts things together is wanted as much as a skill that is this wide. */
const TOGETHER = 0.7;
/** The skill of the aim is wanted more. */
const AIMED = 1.5;

/** How much each thing is wanted. */
type Weights = ReadonlyMap<Skill, number>;

function weightsOf(needs: readonly Need[], { skill }: ProgrammeValues['aim']): Weights {
  const of = (one: Skill) => needs.find((need) => need.skill === one)?.ratio;
  // A quantity that was never looked at is no work yet, unless it is the aim.
  const unknown = (one: Skill) => (isTrained(one) && one !== skill ? 0 : TOGETHER);
  return new Map(
    skills().map((one) => [one, (of(one) ?? unknown(one)) * (one === skill ? AIMED : 1)]),
  );
}

/**
 * The two things to work on: what is wanted most and lies back longest. The main thing is never that of the day before, so
 * that skills are mixed and repeats are spaced.
 */
function skillsFor(
  day: Day,
  before: readonly Entry[],
  weights: Weights,
  count: number,
  retest: Skill | null,
): Skill[] {
  const last = before.at(-1)?.skills[0];
  const urgency = (one: Skill): number => {
    const entry = before.findLast(({ skills }) => skills.includes(one));
    const days = entry ? Math.min(daysBetween(entry.day, day), LONGEST) : LONGEST / 2;
    // Second things count half: what was last the main thing lies back less.
    const worked = entry && entry.skills[0] !== one ? 1.3 : 1;
    return weights.get(one)! * days * worked;
  };
  const ranked = skills().toSorted((a, b) => urgency(b) - urgency(a));
  // What is tested again has its turn already.
  const main = ranked.find((one) => one !== last && one !== retest)!;
  return [main, ...ranked.filter((one) => one !== main && one !== retest)].slice(0, count);
}

/** What was trained at least a week ago, as the main thing, and has not been tested again since. */
function retestFor(day: Day, before: readonly Entry[]): Skill | null {
  for (const entry of before) {
    const [main] = entry.skills;
    if (!main || entry.kind === 'test' || entry.state === 'missed') continue;
    if (daysBetween(entry.day, day) < RETEST_AFTER) break;
    const again = before.some(
      (later) => later.day > entry.day && (later.retest === main || later.kind === 'test'),
    );
    if (!again) return main;
  }
  return null;
}

const worksOn = (minutes: number, kind: Entry['kind']): number => {
  const left = kind === 'test' ? minutes - TEST_TAKES : minutes;
  return left < LEAST ? 0 : left < 30 ? 1 : 2;
};

/** The days that a programme's slots fall on, in order; none on a day off. */
function daysOf(
  { from, weeks, slots, off }: ProgrammeValues,
  closed: readonly DaysOff[],
): { day: Day; slot: Slot }[] {
  return Array.from({ length: 7 * weeks }, (_, i) => dayAfter(from, i)).flatMap((day) =>
    slots
      .filter(({ weekday }) => weekday === weekdayOf(day) && !offOn(day, [...off, ...closed]))
      .toSorted((a, b) => (a.time ?? '').localeCompare(b.time ?? ''))
      .map((slot) => ({ day, slot })),
  );
}

/**
 * A programme from its first day to its last.
 *
 * @param values what it is to be
 * @param needs what is needed, as it is known now
 * @param kept entries that stay as they are, by day and time; the others are made round them
 * @param closed when the coach is off
 */
export function programmeOf(
  values: ProgrammeValues,
  needs: readonly Need[],
  kept: readonly Entry[] = [],
  closed: readonly DaysOff[] = [],
): Entry[] {
  const weights = weightsOf(needs, values.aim);
  const entries: Entry[] = [];
  for (const { day, slot } of daysOf(values, closed)) {
    const known = kept.find((one) => one.day === day && one.time === slot.time);
    if (known) {
      entries.push(known);
      continue;
    }
    const lastTest = entries.findLast(({ kind, state }) => kind === 'test' && state !== 'missed');
    const due = !lastTest || daysBetween(lastTest.day, day) >= 7 * values.testEvery;
    const kind = due ? 'test' : slot.kind;
    const { minutes, time } = slot;
    const retest = due ? null : retestFor(day, entries);
    const skills = skillsFor(day, entries, weights, worksOn(minutes, kind), retest);
    entries.push({ day, time, minutes, kind, skills, retest, state: 'planned' });
  }
  return entries;
}

/** What has happened since a programme was made. */
export interface Since {
  today: Day;
  /** Days on which the student putted. */
  putted: readonly Day[];
  /** What is needed as it is known now, and as it was known when the programme was last made. */
  now: readonly Need[];
  then: readonly Need[];
  /** When the coach is off. */
  closed?: readonly DaysOff[];
}

/** Wider than the last first by so much: the evidence has changed. */
const CHANGED = 1.2;

/** What an entry works on, in words. */
export const entryWords = ({ kind, skills, retest }: Entry): string =>
  [
    kind === 'test' && 'cold test',
    retest && `${skillWords(retest)} retest`,
    skills.map((one) => skillWords(one)).join(' and '),
  ]
    .filter(Boolean)
    .join(', then ');

/** What of an entry is otherwise now, in words. */
function changedWords(was: Entry, is: Entry): string {
  const said = (skills: Skill[]) => skills.map((one) => skillWords(one)).join(' and ');
  const fresh = is.skills.filter((one) => !was.skills.includes(one));
  const gone = was.skills.filter((one) => !is.skills.includes(one));
  const parts = [
    is.kind !== was.kind && `starts with ${is.kind === 'test' ? 'a cold test' : is.kind}`,
    is.retest !== was.retest && is.retest && `starts with a ${skillWords(is.retest)} retest`,
    was.retest && !is.retest && `drops the ${skillWords(was.retest)} retest`,
    fresh.length > 0 &&
      (gone.length > 0
        ? `${said(fresh)} ${fresh.length > 1 ? 'replace' : 'replaces'} ${said(gone)}`
        : `adds ${said(fresh)}`),
    fresh.length === 0 && gone.length > 0 && `drops ${said(gone)}`,
    fresh.length === 0 &&
      gone.length === 0 &&
      is.skills[0] !== was.skills[0] &&
      `puts ${said(is.skills.slice(0, 1))} first`,
  ];
  return parts.filter(Boolean).join(', ');
}

const alike = (a: Entry, b: Entry): boolean =>
  a.kind === b.kind && a.retest === b.retest && a.skills.join() === b.skills.join();

/** Days that are left alone when the evidence changes: they are near, and may have been prepared. */
const NEAR = 7;

/**
 * Brings a programme up to date: what was putted is done, what was not is missed; what is to come changes only where a
 * missed day, a day off or new evidence asks for it, and each change says why. Doing it twice changes nothing more.
 *
 * @param values what it is to be
 * @param entries as they stood
 * @param since what has happened
 */
export function replan<E extends Entry>(
  values: ProgrammeValues,
  entries: readonly E[],
  { today, putted, now, then, closed = [] }: Since,
): { entries: E[]; gone: E[]; changes: ProgrammeChange[]; reconsidered: boolean } {
  const changes: ProgrammeChange[] = [];
  const off = [...values.off, ...closed];
  const gone = entries.filter(
    ({ state, day }) => state === 'planned' && day >= today && offOn(day, off),
  );
  const stays = entries.filter((entry) => !gone.includes(entry));
  let all = stays.map((entry): E => {
    if (entry.state !== 'planned') return entry;
    if (entry.day <= today && putted.includes(entry.day)) return { ...entry, state: 'done' };
    return entry.day < today ? { ...entry, state: 'missed' } : entry;
  });
  const isNew = (entry: E, i: number) => entry.state === 'missed' && stays[i]!.state === 'planned';
  for (const [i, missed] of all.entries()) {
    if (!isNew(missed, i)) continue;
    all = madeGood(all, missed, today, `${dayWords(missed.day)} was missed.`, changes);
  }
  for (const free of gone) {
    changes.push({
      day: free.day,
      words: `is dropped because of time off: ${offWords(offOn(free.day, off)!)}.`,
    });
    all = madeGood(all, free, today, `${dayWords(free.day)} is a day off.`, changes);
  }
  const [first, before] = [now[0], then[0]];
  const was = first && now.find(({ skill }) => skill === before?.skill);
  const reconsidered =
    !!first &&
    !!before &&
    !!was &&
    first.skill !== before.skill &&
    first.ratio > CHANGED * was.ratio;
  if (reconsidered) {
    const anew = workedAnew(all, weightsOf(now, values.aim), dayAfter(today, NEAR));
    for (const [i, entry] of anew.entries()) {
      const old = all[i]!;
      if (!alike(old, entry)) {
        changes.push({
          day: entry.day,
          words: `${changedWords(old, entry)}, because ${skillWords(first.skill)} now needs the most work.`,
        });
      }
    }
    all = anew;
  }
  return { entries: all, gone, changes, reconsidered };
}

/** Days stay where they are, moved by hand or not; what is worked on from one of them on is chosen anew. */
function workedAnew<E extends Entry>(entries: readonly E[], weights: Weights, from: Day): E[] {
  const anew: E[] = [];
  for (const entry of entries) {
    const { day, kind, minutes, state } = entry;
    if (state !== 'planned' || day < from) {
      anew.push(entry);
      continue;
    }
    const retest = kind === 'test' ? null : retestFor(day, anew);
    const skills = skillsFor(day, anew, weights, worksOn(minutes, kind), retest);
    anew.push({ ...entry, skills, retest });
  }
  return anew;
}

/** Puts what was missed, or falls out, where it disturbs least. */
function madeGood<E extends Entry>(
  entries: E[],
  missed: E,
  today: Day,
  on: string,
  changes: ProgrammeChange[],
): E[] {
  const coming = (entry: E) => entry.state === 'planned' && entry.day >= today;
  const change = (at: E, to: E, why: string): E => {
    changes.push({ day: at.day, words: `${changedWords(at, to)}, because ${why}` });
    return to;
  };
  if (missed.kind === 'test') {
    const next = entries.find(coming);
    const soon = entries.some(
      (entry) => coming(entry) && entry.kind === 'test' && daysBetween(missed.day, entry.day) <= 14,
    );
    if (!next || soon) return entries;
    const skills = next.skills.slice(0, worksOn(next.minutes, 'test'));
    return entries.map((entry) =>
      entry === next
        ? change(next, { ...next, kind: 'test', retest: null, skills }, `the cold test on ${on}`)
        : entry,
    );
  }
  const [main] = missed.skills;
  // What nobody trained cannot be tested again.
  const trainedFor = ({ day }: Entry) =>
    entries.some(
      (entry) =>
        entry.state !== 'missed' &&
        entry.skills[0] === main &&
        daysBetween(entry.day, day) >= RETEST_AFTER &&
        daysBetween(entry.day, day) <= 3 * RETEST_AFTER,
    );
  const all = entries.map((entry) =>
    main && coming(entry) && entry.retest === main && !trainedFor(entry)
      ? change(entry, { ...entry, retest: null }, on)
      : entry,
  );
  const soon = all.some(
    (entry) => coming(entry) && entry.skills.includes(main!) && daysBetween(today, entry.day) <= 7,
  );
  const next = all.find(
    (entry) => coming(entry) && entry.kind !== 'test' && entry.skills.length > 0,
  );
  if (!main || soon || !next) return all;
  const skills = next.skills.length > 1 ? [next.skills[0]!, main] : [main];
  return all.map((entry) => (entry === next ? change(entry, { ...entry, skills }, on) : entry));
}
