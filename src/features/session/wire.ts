import { z } from 'zod';
import { filledSchema, guessSchema, mannerSchema, runMarkSchema } from '@/core/drill';
import { measuredSchema } from '@/core/quantity';
import { outcomesSchema, placeSchema, pointsSchema } from '@/core/layout';

/** What may be corrected of a putt. */
const correctionSchema = z.object({
  outcomes: outcomesSchema.optional(),
  points: pointsSchema.optional(),
  place: placeSchema.optional(),
  manner: mannerSchema.optional(),
  note: z.string().trim().max(300, 'The note is too long: use at most 300 characters.').optional(),
  leftOut: z.boolean().optional(),
});
export type Correction = z.infer<typeof correctionSchema>;

/** A putt as it goes from a screen to the server and back. */
const puttShape = {
  id: z.uuid(),
  outcomes: outcomesSchema,
  points: pointsSchema.default({}),
  guess: guessSchema.nullable().default(null),
};

/** The screen had been told that the session is finished. */
const knowing = z.boolean().optional();

/** What the logging screen sends for a run. */
export const runEvent = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('putt'),
    ...puttShape,
    // A screen of an earlier version does not know: the rule, played again, does.
    place: placeSchema.optional(),
    manner: mannerSchema.optional(),
    at: z.coerce.date(),
    knowing,
  }),
  z.object({ type: z.literal('undo'), id: z.uuid(), at: z.coerce.date(), knowing }),
  z.object({
    type: z.literal('change'),
    id: z.uuid(),
    puttId: z.uuid(),
    correction: correctionSchema,
    at: z.coerce.date(),
    knowing,
  }),
  z.object({
    type: z.literal('mark'),
    id: z.uuid(),
    mark: runMarkSchema,
    at: z.coerce.date(),
    knowing,
  }),
  // The session of the run is finished. It waits on the device like a putt, so that it comes after the last one.
  z.object({ type: z.literal('finish'), id: z.uuid(), at: z.coerce.date() }),
]);

/** Up to where a screen knows a run. */
const positionSchema = z.object({ lineage: z.number().int(), revision: z.number().int().min(0) });
export type WirePosition = z.infer<typeof positionSchema>;

/** What a screen sends: each event is looked at by itself, so that one that cannot be does not hold up the others. */
export const runEvents = z.object({
  events: z.array(z.unknown()).max(500),
  since: positionSchema.nullable().default(null),
  /** Who logged it: the coach, or the student at home. It is taken from nobody else; a device of an earlier version does not say. */
  owner: z.uuid().nullable().default(null),
});

export type WireEvent = z.input<typeof runEvent> & { at: string };

/** A putt as the server tells it. */
const wirePutt = z.object({
  ...puttShape,
  id: z.string(),
  // What an earlier version kept on the device has neither; the server's next word has both.
  measured: measuredSchema.default({}),
  filled: filledSchema.default([]),
  place: placeSchema.default({ station: 0, again: 0, spot: null }),
  manner: mannerSchema.default('usual'),
  note: z.string(),
  leftOut: z.boolean(),
  at: z.iso.datetime(),
  undone: z.boolean(),
  /** Ids of the corrections it has had. */
  changes: z.array(z.string()),
});
export type WirePutt = z.infer<typeof wirePutt>;

const wireMark = z.object({ id: z.string(), mark: runMarkSchema, at: z.iso.datetime() });
export type WireMark = z.infer<typeof wireMark>;

const wireRun = z.object({ putts: z.array(wirePutt), marks: z.array(wireMark) });
/** An event that the server would not take, and why. */
const refusedEvent = z.object({ type: z.string(), id: z.string(), message: z.string() });
export type RefusedEvent = z.infer<typeof refusedEvent>;

/** A run as the server tells it. */
export type WireRun = z.infer<typeof wireRun>;

/** The server's answer: what is new of the run, or all of it; or why not. */
export const runAnswer = z.discriminatedUnion('ok', [
  wireRun.extend({
    ok: z.literal(true),
    finished: z.boolean(),
    whole: z.boolean(),
    position: positionSchema,
    late: z.number(),
    refused: z.array(refusedEvent),
  }),
  z.object({ ok: z.literal(false), code: z.string(), message: z.string() }),
]);
export type RunAnswer = z.infer<typeof runAnswer>;
