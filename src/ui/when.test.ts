import fc from 'fast-check';
import { format, zoneNow } from './when';

const ZONE = Symbol.for('dirigo.zone');
const shared = globalThis as typeof globalThis & { [ZONE]?: string };
const in_ = (zone: string | undefined) => {
  shared[ZONE] = zone;
};

afterAll(() => in_(undefined));

describe('the one clock', () => {
  it.each([
    // The clock goes forward on 29 March 2026 at one o'clock UTC, and back on 25 October.
    ['Europe/Amsterdam', '2026-03-29T00:59:00Z', '29 March 01:59'],
    ['Europe/Amsterdam', '2026-03-29T01:00:00Z', '29 March 03:00'],
    ['Europe/Amsterdam', '2026-10-25T00:30:00Z', '25 October 02:30'],
    ['Europe/Amsterdam', '2026-10-25T01:30:00Z', '25 October 02:30'],
    ['America/St_Johns', '2026-07-01T00:00:00Z', '30 June 21:30'],
    ['Asia/Tokyo', '2026-12-31T15:00:00Z', '1 January 00:00'],
    ['UTC', '2026-02-28T23:59:00Z', '28 February 23:59'],
  ])('of %s tells %s as %s, whatever the machine’s is', (zone, at, told) => {
    in_(zone);
    expect(format(at, 'd MMMM HH:mm')).toBe(told);
    expect(format(new Date(at), 'd MMMM HH:mm')).toBe(told);
  });

  it('agrees with the platform’s own in any zone at any moment', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true }),
        fc.constantFrom(
          'Europe/Amsterdam',
          'America/St_Johns',
          'Australia/Lord_Howe',
          'Asia/Kolkata',
          'UTC',
        ),
        (at, zone) => {
          in_(zone);
          const platform = new Intl.DateTimeFormat('en-GB', {
            timeZone: zone,
            hour: '2-digit',
            minute: '2-digit',
            hourCycle: 'h23',
          }).format(at);
          expect(format(at, 'HH:mm')).toBe(platform);
        },
      ),
    );
  });

  it('is the machine’s own while no book was opened', () => {
    in_(undefined);
    expect(zoneNow()).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
  });
});
