import { z } from 'zod';

/** The longer side of a picture as it is sent, px. */
export const PHOTO_SIDE = 1280;
/** Characters of a picture as it is sent and kept: about 450 kB. */
export const PHOTO_MOST = 600_000;
/** The largest file that is taken for a picture before it is made small, bytes. */
export const PHOTO_FILE = 40 * 1024 * 1024;

/** A JPEG in text: every one starts with the same three bytes. */
export const photoSchema = z
  .string()
  .max(PHOTO_MOST, 'The picture is too large to send.')
  .regex(/^data:image\/jpeg;base64,\/9j\/[A-Za-z0-9+/]+=*$/, 'Only a picture can be sent here.');

const text = z.string().trim().max(500, 'The message is too long: use at most 500 characters.');

/** What a student leaves with homework: how it felt, from 1 to 5, a line, and a picture of the set-up; one of them at least. */
export const leftSchema = z
  .object({
    feel: z.number().int().min(1).max(5).nullable(),
    text,
    photo: photoSchema.nullable(),
  })
  .refine(({ feel, text: line, photo }) => feel !== null || line !== '' || photo !== null, {
    path: ['text'],
    error: 'Say how it felt, write a message or add a picture.',
  });
export type Left = z.infer<typeof leftSchema>;

/** What a coach answers. */
export const answerSchema = text.min(1, 'Write an answer first.');

/** How it felt, from 1 to 5, in a word each. */
export const FEELS = ['lost', 'hard work', 'getting there', 'good', 'easy'] as const;
