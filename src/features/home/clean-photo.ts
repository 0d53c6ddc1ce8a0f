import 'server-only';
import sharp from 'sharp';
import { PHOTO_MOST, PHOTO_SIDE } from '@/core/planning';
import { Problem } from '@/data';

const PREFIX = 'data:image/jpeg;base64,';
/** Pixels of a picture that is opened at all: a browser sends none larger than PHOTO_SIDE on a side. */
const MOST_PIXELS = (2 * PHOTO_SIDE) ** 2;
/** How well a picture is kept, the best first. */
const QUALITIES = [75, 60, 45];

/**
 * Decodes a picture and encodes it again, so that only the pixels are stored: no position, device or other data of the file.
 *
 * @param photo a JPEG as a data address
 * @throws Problem for what cannot be decoded as one, or is too large
 */
export async function cleanPhoto(photo: string): Promise<string> {
  const sent = Buffer.from(photo.slice(PREFIX.length), 'base64');
  const picture = sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  const { format } = await picture.metadata().catch(() => ({ format: undefined }));
  if (format === 'jpeg') {
    for (const quality of QUALITIES) {
      const clean = await picture
        .clone()
        .rotate()
        .resize(PHOTO_SIDE, PHOTO_SIDE, { fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality })
        .toBuffer()
        .catch(() => null);
      if (!clean) break;
      const text = PREFIX + clean.toString('base64');
      if (text.length <= PHOTO_MOST) return text;
    }
  }
  throw new Problem('invalid', 'This picture cannot be read. Choose a photo in JPEG.');
}
