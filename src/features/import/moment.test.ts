import { spawnSync } from 'node:child_process';
import { readWhen } from '@/core/table';
import { momentOf } from './moment';

/** Reads "2025-10-03 23:30" on Amsterdam's clock in a process whose own clock stands in another zone. */
function readIn(zone: string): { day: string; at: string } {
  const script = `
    const { readWhen } = require('./src/core/table/when.ts');
    const { momentOf } = require('./src/features/import/moment.ts');
    const found = momentOf(readWhen('2025-10-03 23:30', 'ymd'), { day: null, seconds: 43200 }, 'Europe/Amsterdam');
    console.log(JSON.stringify({ day: found.day, at: found.at.toISOString() }));`;
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--require', 'tsx/cjs', '--eval', script],
    { env: { ...process.env, TZ: zone }, encoding: 'utf8' },
  );
  if (stdout === '') throw new Error(stderr);
  return JSON.parse(stdout) as { day: string; at: string };
}

// 23:30 in Amsterdam in summer is 21:30 UTC, by hand.
test.each(['UTC', 'America/New_York', 'Pacific/Auckland'])(
  'a time is read by the coach’s clock, whatever the server’s is: %s',
  (zone) => {
    expect(readIn(zone)).toEqual({ day: '2025-10-03', at: '2025-10-03T21:30:00.000Z' });
  },
);

const moment = (text: string, zone = 'Europe/Amsterdam') =>
  momentOf(readWhen(text, 'ymd'), { day: null, seconds: 43_200 }, zone);

test('the clock goes forward and back with the zone', () => {
  // Winter is one hour ahead of UTC, summer two; on 30 March 2025 the clock went forward at two.
  expect(moment('2025-01-10 12:00')!.at.toISOString()).toBe('2025-01-10T11:00:00.000Z');
  expect(moment('2025-03-30 01:59')!.at.toISOString()).toBe('2025-03-30T00:59:00.000Z');
  expect(moment('2025-03-30 03:00')!.at.toISOString()).toBe('2025-03-30T01:00:00.000Z');
});

test('a time that says how far it is from UTC is taken at its word, and its day is the coach’s', () => {
  expect(moment('2025-10-03T22:30:00Z')).toEqual({
    day: '2025-10-04',
    at: new Date('2025-10-03T22:30:00Z'),
    written: '2025-10-03',
  });
  expect(moment('2025-10-03T14:05:30.250-04:00')!.at).toEqual(new Date('2025-10-03T18:05:30.250Z'));
});

test('a day without a time is noon there, and no day at all is nothing', () => {
  expect(moment('2025-07-01')!.at).toEqual(new Date('2025-07-01T10:00:00Z'));
  expect(momentOf(null, { day: null, seconds: 43_200 }, 'Europe/Amsterdam')).toBeNull();
  const usual = { day: '2025-07-01', seconds: 43_205 };
  expect(momentOf(null, usual, 'Europe/Amsterdam')!.at).toEqual(new Date('2025-07-01T10:00:05Z'));
});
