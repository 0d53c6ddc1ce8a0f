import { z } from 'zod';
import { outcomesSchema } from '@/core/layout';

/** What the logging screen sends for a run. */
export const puttEvent = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('putt'),
    id: z.uuid(),
    outcomes: outcomesSchema,
    at: z.coerce.date(),
  }),
  z.object({ type: z.literal('undo'), id: z.uuid(), at: z.coerce.date() }),
]);

export const puttEvents = z.object({ events: z.array(puttEvent).max(500) });

export type WireEvent = z.input<typeof puttEvent> & { at: string };

/** A putt as the server tells it. */
export const wirePutt = z.object({
  id: z.string(),
  outcomes: outcomesSchema,
  at: z.iso.datetime(),
  undone: z.boolean(),
});
export type WirePutt = z.infer<typeof wirePutt>;

/** The server's answer: all putts of the run, or why not. */
export const puttsAnswer = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), finished: z.boolean(), putts: z.array(wirePutt) }),
  z.object({ ok: z.literal(false), code: z.string(), message: z.string() }),
]);
export type PuttsAnswer = z.infer<typeof puttsAnswer>;
