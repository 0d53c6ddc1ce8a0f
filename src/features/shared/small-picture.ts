'use client';

import { PHOTO_FILE, PHOTO_MOST, PHOTO_SIDE } from '@/core/planning';

/** How well a picture is kept, the best first. */
const QUALITIES = [0.75, 0.6, 0.45, 0.3];

/**
 * A picture made small enough to be sent, without where and with what it was taken.
 *
 * @returns as a JPEG in text
 * @throws RangeError with a sentence where it is no picture, or none that can be made small
 */
export async function smallPicture(file: File): Promise<string> {
  if (file.size > PHOTO_FILE) {
    const most = PHOTO_FILE / 1024 / 1024;
    throw new RangeError(`${file.name} is too large: choose a picture of at most ${most} MB.`);
  }
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) throw new RangeError(`${file.name} cannot be read as a picture.`);
  const share = Math.min(1, PHOTO_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * share));
  canvas.height = Math.max(1, Math.round(picture.height * share));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of QUALITIES) {
    const text = canvas.toDataURL('image/jpeg', quality);
    if (text.length <= PHOTO_MOST) return text;
  }
  throw new RangeError('The picture cannot be made small enough to send.');
}
