import sharp from 'sharp';
import { PHOTO_SIDE, leftSchema } from '@/core/planning';
import { cleanPhoto } from './clean-photo';

jest.mock('server-only', () => ({}));

const PREFIX = 'data:image/jpeg;base64,';
const asAddress = (bytes: Buffer) => PREFIX + bytes.toString('base64');
const bytesOf = (photo: string) => Buffer.from(photo.slice(PREFIX.length), 'base64');

/** A picture as a phone makes it: with the place and the device in it, and turned. */
const withPlace = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#6c7a80' } })
    .withMetadata({ orientation: 6 })
    .withExifMerge({
      IFD0: { Make: 'Made-up Phone' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 22/1 30/1' },
    })
    .jpeg()
    .toBuffer();

test('a photo keeps its picture, the right way up, and neither the place nor the device', async () => {
  const sent = await withPlace(640, 480);
  expect(sent.includes('Made-up Phone')).toBe(true);
  const clean = bytesOf(await cleanPhoto(asAddress(sent)));
  expect(clean.includes('Made-up Phone')).toBe(false);
  expect(clean.includes('Exif')).toBe(false);
  const { exif, width, height, format } = await sharp(clean).metadata();
  expect([exif, width, height, format]).toEqual([undefined, 480, 640, 'jpeg']);
});

test('one that is larger than a browser sends is made smaller', async () => {
  const clean = bytesOf(await cleanPhoto(asAddress(await withPlace(2000, 1000))));
  const { width, height } = await sharp(clean).metadata();
  expect(Math.max(width, height)).toBe(PHOTO_SIDE);
});

test('what hides behind the picture is gone', async () => {
  const sent = Buffer.concat([await withPlace(64, 64), Buffer.from('PK\u0003\u0004 a letter')]);
  expect(bytesOf(await cleanPhoto(asAddress(sent))).includes('a letter')).toBe(false);
});

test.each([
  ['a zip', Buffer.from('PK\u0003\u0004 and more of it')],
  ['a page', Buffer.from('<html><script>1</script></html>')],
  ['three bytes of a picture, and no more', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])],
])('%s named JPEG is refused', async (_name, bytes) => {
  await expect(cleanPhoto(asAddress(bytes))).rejects.toThrow('cannot be read');
});

test('a picture of more pixels than anybody sends is not opened', async () => {
  const bomb = await sharp({
    create: { width: 9000, height: 9000, channels: 3, background: '#fff' },
  })
    .jpeg()
    .toBuffer();
  await expect(cleanPhoto(asAddress(bomb))).rejects.toThrow('cannot be read');
});

test('the border looks at the first bytes already', () => {
  const left = (photo: string) => leftSchema.safeParse({ feel: null, text: '', photo }).success;
  expect(left(asAddress(Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0])))).toBe(true);
  expect(left(asAddress(Buffer.from('PK and more')))).toBe(false);
});
