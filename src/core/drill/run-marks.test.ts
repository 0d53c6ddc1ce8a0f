import fc from 'fast-check';
import { paceOfPlay, runCourse, runMarkSchema, type RunMark } from '.';

const at = (seconds: number) => new Date(Date.UTC(2026, 10, 24, 9, 0, seconds));
const marked = (mark: RunMark, seconds: number) => ({ mark, at: at(seconds) });

describe('what happens to a run beside putts', () => {
  it('is nothing at first', () => {
    expect(runCourse([])).toEqual({
      setUp: false,
      pausedSince: null,
      pauses: [],
      out: {},
      missing: null,
    });
  });

  it('is set up, paused, gone on with and taken up', () => {
    const marks = [
      marked({ type: 'set up', out: { tee: 4, coin: 1 } }, 0),
      marked({ type: 'pause' }, 60),
      marked({ type: 'pause' }, 70),
    ];
    const out = { tee: 4, coin: 1 };
    expect(runCourse(marks)).toMatchObject({ pausedSince: at(60), out, missing: null });
    marks.push(
      marked({ type: 'resume' }, 90),
      marked({ type: 'resume' }, 95),
      marked({ type: 'taken up', in: { tee: 3, coin: 1 } }, 120),
    );
    expect(runCourse(marks)).toEqual({
      setUp: true,
      pausedSince: null,
      pauses: [{ from: at(60), until: at(90) }],
      out: {},
      missing: { tee: 1 },
    });
  });

  it('counts more that came in than went out as nothing missing', () => {
    const marks = [
      marked({ type: 'set up', out: { tee: 2 } }, 0),
      marked({ type: 'taken up', in: { tee: 5 } }, 9),
    ];
    expect(runCourse(marks).missing).toEqual({});
  });

  it('refuses counts that no bag holds', () => {
    for (const tee of [-1, 1.5, 400]) {
      expect(runMarkSchema.safeParse({ type: 'set up', out: { tee } }).success).toBe(false);
    }
  });
});

describe('pace of play', () => {
  it('is the median gap: by hand 20, 22, 24, 30 give 23', () => {
    expect(paceOfPlay([0, 20, 42, 66, 96].map(at))).toBe(23);
  });

  it('leaves out talks of over three minutes, pauses, and a clock that jumps back', () => {
    expect(paceOfPlay([0, 20, 42, 66, 96, 900].map(at))).toBe(23);
    expect(paceOfPlay([0, 20, 42, 10, 34, 64].map(at))).toBe(23);
    const paused = [{ from: at(21), until: at(121) }];
    expect(paceOfPlay([0, 20, 142, 166, 196].map(at), paused)).toBe(23);
  });

  it('is unknown where putts were logged in a heap, afterwards', () => {
    expect(paceOfPlay([0, 1, 2, 3, 4, 5, 6].map(at))).toBeNull();
  });

  it('is unknown from fewer than five putts', () => {
    expect(paceOfPlay([0, 20, 42, 66].map(at))).toBeNull();
    expect(paceOfPlay([])).toBeNull();
  });

  it('is the step of putts at a steady step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 170 }),
        fc.integer({ min: 5, max: 40 }),
        (step, count) => {
          const times = Array.from({ length: count }, (_, index) => at(index * step));
          expect(paceOfPlay(times)).toBe(step);
        },
      ),
    );
  });
});
