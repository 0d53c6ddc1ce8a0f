import fc from 'fast-check';
import { STRETCH, standingAside } from './aside';

let still: boolean;
let begin: () => () => void;

beforeEach(() => {
  jest.useFakeTimers();
  still = false;
  begin = standingAside(
    () => (still = true),
    () => (still = false),
  );
});
afterEach(() => jest.useRealTimers());

test('who reckons stands still while somebody is answered, until the last of them is', () => {
  const one = begin();
  expect(still).toBe(true);
  const two = begin();
  one();
  // What has ended does not end a second time.
  one();
  expect(still).toBe(true);
  two();
  expect(still).toBe(false);
});

test('where nobody reckons, nothing is waited for', () => {
  const goOn = jest.fn();
  standingAside(() => false, goOn)()();
  expect(jest.getTimerCount()).toBe(0);
  expect(goOn).not.toHaveBeenCalled();
});

test('answers without a gap keep nobody still for long; after a gap the next ones do again', () => {
  const long = begin();
  jest.advanceTimersByTime(STRETCH - 1);
  expect(still).toBe(true);
  jest.advanceTimersByTime(1);
  expect(still).toBe(false);
  const next = begin();
  expect(still).toBe(false);
  long();
  next();
  const later = begin();
  expect(still).toBe(true);
  later();
});

test('whatever comes, nobody is kept still longer than a stretch, nor when nobody is answered', () => {
  const steps = fc.array(fc.tuple(fc.nat({ max: 30 }), fc.nat({ max: 5 })), { maxLength: 60 });
  fc.assert(
    fc.property(steps, (all) => {
      const open: (() => void)[] = [];
      let since = 0;
      for (const [pause, which] of all) {
        for (let ms = 0; ms < pause; ms++) {
          jest.advanceTimersByTime(1);
          since = still ? since + 1 : 0;
          expect(since).toBeLessThan(STRETCH);
        }
        if (which < 3) open.push(begin());
        else open.splice(which % Math.max(1, open.length), 1)[0]?.();
        if (!still) since = 0;
        if (open.length === 0) expect(still).toBe(false);
      }
      for (const end of open) end();
      expect(still).toBe(false);
    }),
  );
});
