import type { CoachPrincipal } from '@/data';
import { HEADS, jobTold, startJob, stopJob } from './jobs';

jest.mock('server-only', () => ({}));

const COACH: CoachPrincipal = { as: 'coach', coachId: 'coach', deviceId: null };
const ANOTHER: CoachPrincipal = { ...COACH, coachId: 'another' };

/** Until all that was resolved has been heard of. */
const settled = () => new Promise(setImmediate);
const words = (error: unknown) => (error instanceof Error ? error.message : 'odd');

/** A work that goes on when it is told to. */
function stepping() {
  let step: () => void = () => undefined;
  const work = async (far: (putts: number) => void) => {
    for (let putts = 1; ; putts++) {
      await new Promise<void>((resolve) => (step = resolve));
      far(putts);
      if (putts === 3) return { putts, sessions: 1 };
    }
  };
  return { work, on: async () => (step(), settled()) };
}

test('a work says how far it is, and how it ended', async () => {
  const { work, on } = stepping();
  startJob('one', 'coach', work, words);
  expect(jobTold('one', COACH)).toEqual({ state: 'going', putts: 0 });
  await on();
  expect(jobTold('one', COACH)).toEqual({ state: 'going', putts: 1 });
  await on();
  await on();
  expect(jobTold('one', COACH)).toEqual({ state: 'done', putts: 3, sessions: 1 });
});

test('one that is stopped ends at its next step, and says so', async () => {
  const { work, on } = stepping();
  startJob('two', 'coach', work, words);
  await on();
  expect(stopJob('two', COACH)).toBe(true);
  expect(jobTold('two', COACH)).toEqual({ state: 'going', putts: 1 });
  await on();
  expect(jobTold('two', COACH)).toEqual({ state: 'stopped' });
});

test('one that breaks says why; nobody else’s is seen or stopped', async () => {
  const broken = () => Promise.reject(new Error('The drill cannot be set up.'));
  startJob('three', 'coach', broken, words);
  await settled();
  expect(jobTold('three', COACH)).toEqual({
    state: 'failed',
    message: 'The drill cannot be set up.',
  });
  expect(jobTold('three', ANOTHER)).toBeNull();
  expect(stopJob('three', ANOTHER)).toBe(false);
  expect(stopJob('none', COACH)).toBe(false);
});

test('ends are forgotten, the oldest first, once there are many', async () => {
  for (let i = 0; i < 60; i++) {
    startJob(`many ${i}`, 'coach', () => Promise.resolve({ putts: i, sessions: 1 }), words);
  }
  await settled();
  expect(jobTold('many 0', COACH)).toBeNull();
  expect(jobTold('many 59', COACH)).toEqual({ state: 'done', putts: 59, sessions: 1 });
});

test('one that puts other coaches in is any head coach’s, and no other’s', async () => {
  const { work, on } = stepping();
  startJob('book', HEADS, work, words);
  await on();
  // Who began it is another coach by the time it has ended.
  for (const coachId of ['before', 'after']) {
    expect(jobTold('book', { as: 'head', coachId, deviceId: null })).toMatchObject({ putts: 1 });
  }
  expect(jobTold('book', COACH)).toBeNull();
  expect(stopJob('book', { ...COACH, as: 'assistant' })).toBe(false);
});
