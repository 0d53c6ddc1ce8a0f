import 'fake-indexeddb/auto';
import {
  dropPhoto,
  dropPhotosBut,
  emptyPhotos,
  keepPhoto,
  photoCount,
  photosOf,
  type KeptPhoto,
} from './kept-photos';

const photo = (id: string, more: Partial<KeptPhoto> = {}): KeptPhoto => ({
  id,
  runId: 'run 1',
  studentId: 'orla',
  at: '2026-05-01T10:00:00.000Z',
  words: 'Gap of a gate: 60.4 mm',
  picture: 'data:image/jpeg;base64,AA==',
  touched: [{ x: 0.5, y: 0.25, label: 'tee A' }],
  ...more,
});

describe('photos kept with their run on this device', () => {
  beforeEach(() => emptyPhotos());

  it('come back in order of time, those of the runs that are asked for', async () => {
    await keepPhoto(photo('late', { at: '2026-05-01T10:05:00.000Z' }));
    await keepPhoto(photo('early'));
    await keepPhoto(photo('other', { runId: 'run 2' }));
    expect((await photosOf(['run 1'])).map(({ id }) => id)).toEqual(['early', 'late']);
    expect(await photosOf([])).toEqual([]);
    expect(await photoCount()).toBe(3);
  });

  it('go one by one, with their student, or all at once', async () => {
    await keepPhoto(photo('a'));
    await keepPhoto(photo('b', { studentId: 'wanda' }));
    await keepPhoto(photo('c'));
    await dropPhoto('a');
    expect((await photosOf(['run 1'])).map(({ id }) => id)).toEqual(['b', 'c']);
    await dropPhotosBut(['orla', 'ida']);
    expect((await photosOf(['run 1'])).map(({ id }) => id)).toEqual(['c']);
    await emptyPhotos();
    expect(await photoCount()).toBe(0);
  });

  it('that cannot be read are passed over', async () => {
    await keepPhoto({ ...photo('odd'), picture: 'https://example.invalid/x.jpg' });
    await keepPhoto(photo('good'));
    expect((await photosOf(['run 1'])).map(({ id }) => id)).toEqual(['good']);
  });
});
