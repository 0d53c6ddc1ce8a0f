import { z } from 'zod';
import { drillDetails, ruleSchema } from '@/core/drill';
import { layoutSchema } from '@/core/layout';
import { fittingSchema } from '@/core/people';
import { cardSchema } from '@/core/setup';
import { unitPreferences } from '@/core/units';

/** A drill, as it refers to one of the coach's own or to a built-in one. */
const refSchema = z.string().min(1).max(80);

const begunRun = z.object({
  id: z.uuid(),
  ref: refSchema,
  /** Of the drill, as the device knew it; null for a built-in one. */
  versionId: z.uuid().nullable(),
  drillName: z.string().max(200),
  layout: layoutSchema,
  rung: z.number().int().min(0).max(20).nullable(),
  block: z.number().int().min(1).max(60),
  cold: z.boolean(),
  /** In place of the drill's own. */
  rule: ruleSchema.nullable(),
});
export type BegunRun = z.infer<typeof begunRun>;

/** A session that was begun on a device, all that is known of it there but its putts. */
export const begunSession = z.object({
  id: z.uuid(),
  studentId: z.uuid(),
  /** Shared by those who putt in rotation; null for one alone. */
  groupId: z.uuid().nullable(),
  place: z.number().int().min(1).max(8),
  homeworkId: z.uuid().nullable(),
  startedAt: z.iso.datetime(),
  finishedAt: z.iso.datetime().nullable(),
  note: z.string().trim().max(2000, 'The note is too long: use at most 2,000 characters.'),
  /** The server's note when the device last knew it. */
  noteWas: z.string().max(2000),
  runs: z.array(begunRun).min(1).max(60),
});
export type BegunSession = z.infer<typeof begunSession>;

/** What is sent: a session, and whether its putts have all come before. */
export const begunSent = z.object({
  session: begunSession,
  finish: z.boolean(),
  /** Who began it; it is taken from nobody else. A device of an earlier version does not say. */
  owner: z.uuid().nullable().default(null),
});

/** What becomes of it: it is on the server; its note was written differently there; or why it cannot be. */
export const begunAnswer = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), note: z.string(), conflict: z.boolean() }),
  z.object({ ok: z.literal(false), code: z.string(), message: z.string() }),
]);
export type BegunAnswer = z.infer<typeof begunAnswer>;

const keptDrill = z.object({
  ref: refSchema,
  versionId: z.uuid().nullable(),
  name: z.string(),
  layout: layoutSchema,
  details: drillDetails,
  /** What it is given as at home, on which rung; null for a coach. */
  homework: z
    .object({ id: z.uuid(), rung: z.number().int().nullable(), note: z.string() })
    .nullable(),
});
export type KeptDrill = z.infer<typeof keptDrill>;

const keptStudent = z.object({
  id: z.uuid(),
  name: z.string(),
  fitting: fittingSchema,
  /** What is known of their putting: the right rung is found by it. Null where nobody but the coach is to know. */
  belief: z
    .object({
      mean: z.array(z.number()),
      covariance: z.array(z.array(z.number())),
      side: z.literal('unknown').optional(),
    })
    .nullable(),
  /** From putt to putt, s. */
  seconds: z.number(),
  /** The set-up card as it was last looked at, and the putters there are. */
  card: z.object({ card: cardSchema, at: z.iso.datetime() }).nullable().default(null),
  putters: z.array(z.object({ id: z.string(), name: z.string() })).default([]),
});
export type KeptStudent = z.infer<typeof keptStudent>;

/** What a device keeps to work with no server: only what who is signed in may see. */
export const keptSchema = z.object({
  at: z.iso.datetime(),
  /** The number of the last change of students, drills, dates or homework that is in it. */
  changed: z.number().int().default(0),
  /** Who may see it: for another it is emptied. */
  owner: z.string(),
  coach: z.string(),
  units: unitPreferences,
  faceShare: z.number(),
  students: z.array(keptStudent),
  /** Ids of all students in the book, put away or not: what is kept of anybody else is let go. */
  everyone: z.array(z.uuid()).default([]),
  drills: z.array(keptDrill),
  /** The speed of the carpet at home, m; null where it was not measured, and on a coach's device. */
  carpet: z.number().positive().nullable().default(null),
  /** Today’s lessons today and tomorrow, in order. */
  coming: z.array(
    z.object({ id: z.string(), day: z.string(), studentId: z.uuid(), words: z.string() }),
  ),
});
export type Kept = z.infer<typeof keptSchema>;
