import type { DBSchema } from 'idb';
import { z } from 'zod';
import { deviceDatabase } from '../shared/device-database';

/** A photo that was measured, kept with its run on this device; it is never sent. */
const keptPhoto = z.object({
  id: z.string(),
  runId: z.string(),
  studentId: z.string(),
  at: z.iso.datetime(),
  /** What was measured, with how sure: "Gap of a gate: 60.4 mm. 80 % interval 59.9 to 60.9 mm". */
  words: z.string(),
  /** As a JPEG in text. */
  picture: z.string().startsWith('data:image/jpeg'),
  /** What was touched, as shares of its width and height. */
  touched: z.array(z.object({ x: z.number(), y: z.number(), label: z.string() })),
});
export type KeptPhoto = z.infer<typeof keptPhoto>;

interface PhotoSchema extends DBSchema {
  photos: { key: string; value: unknown };
}

const { open } = deviceDatabase<PhotoSchema>('dirigo-photos', 1, (database) => {
  database.createObjectStore('photos');
});

/** Keeps a photo; throws where the device has no room for it. */
export async function keepPhoto(photo: KeptPhoto): Promise<void> {
  await (await open()).put('photos', photo, photo.id);
}

/** All photos that are kept here and can be read. */
async function allPhotos(): Promise<KeptPhoto[]> {
  const all = await (await open()).getAll('photos');
  return all.flatMap((value) => {
    const parsed = keptPhoto.safeParse(value);
    return parsed.success ? [parsed.data] : [];
  });
}

/** The photos of some runs, in order of time. */
export async function photosOf(runIds: readonly string[]): Promise<KeptPhoto[]> {
  const all = await allPhotos();
  return all.filter(({ runId }) => runIds.includes(runId)).sort((a, b) => a.at.localeCompare(b.at));
}

/** How many photos are kept here. */
export const photoCount = async (): Promise<number> => (await open()).count('photos');

export async function dropPhoto(id: string): Promise<void> {
  await (await open()).delete('photos', id);
}

/** Lets go of the photos of students who are not in the book any more. */
export async function dropPhotosBut(studentIds: readonly string[]): Promise<void> {
  for (const { id, studentId } of await allPhotos()) {
    if (!studentIds.includes(studentId)) await dropPhoto(id);
  }
}

/** Lets go of all of them. */
export async function emptyPhotos(): Promise<void> {
  await (await open()).clear('photos');
}
