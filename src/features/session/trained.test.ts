import { libraryDrill } from '@/core/drill';
import { noBasis } from '@/core/scoring';
import { trainedIn } from './trained';

const run = (key: string, measured?: Record<string, unknown>) => ({
  layout: libraryDrill(key)!.layout,
  putts: [measured ? { measured } : {}],
});

describe('what a session trains', () => {
  it.each([
    ['straight-gate', 'start'],
    ['box-gate', 'path'],
    ['held-finish', 'face'],
    ['limit-line', 'pace'],
    ['half-circle', 'pace'],
    ['read-only', 'reading'],
    ['marked-face', 'strike'],
  ])('is told first of %s: %s', (key, skill) => {
    expect(trainedIn([run(key)], noBasis())[0]).toBe(skill);
  });

  it('takes in what an instrument read, once, and nothing that stands only to be looked at', () => {
    const basis = { ...noBasis(), face: 3, loft: 3 };
    const read = run('straight-gate', { face: 1, loft: 1, path: 1 });
    expect(trainedIn([read, run('straight-gate')], basis)).toEqual(['start', 'face', 'loft']);
  });
});
