import { joining } from './joining';

const GRACE = 4000;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** Longer than anything goes on for nobody. */
const pause = () => jest.advanceTimersByTimeAsync(GRACE + 1);

/** Work that ends when it is told to, and remembers how often it was begun and given up. */
function slowWork() {
  const begun: {
    end: (value: string) => void;
    fail: (error: Error) => void;
    signal: AbortSignal;
  }[] = [];
  const work = (signal: AbortSignal) =>
    new Promise<string>((resolve, reject) => {
      begun.push({ end: resolve, fail: reject, signal });
      signal.addEventListener('abort', () => reject(new Error('given up')));
    });
  return { begun, work };
}

/** What has become of a promise by now. */
async function stateOf(promise: Promise<string>): Promise<string> {
  const waiting = Symbol();
  for (let i = 0; i < 5; i++) await Promise.resolve();
  const found = await Promise.race([promise.catch((error: Error) => error.message), waiting]);
  return found === waiting ? 'waits' : String(found);
}

test('who asks the same while it is done gets the same answer', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const [a, b, other] = [ask('hour', work), ask('hour', work), ask('compare', work)];
  expect(begun).toHaveLength(2);
  begun[0]!.end('an hour');
  expect(await a).toBe('an hour');
  expect(await b).toBe('an hour');
  expect(await stateOf(other)).toBe('waits');
});

test('what was done is done again when it is asked again', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const first = ask('hour', work);
  begun[0]!.end('first');
  await first;
  const second = ask('hour', work);
  begun[1]!.end('second');
  expect(await second).toBe('second');
});

test('it goes on while one of two still waits, and is given up when both have gone', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const [one, two] = [new AbortController(), new AbortController()];
  const [a, b] = [ask('hour', work, one.signal), ask('hour', work, two.signal)];
  one.abort();
  await pause();
  expect(begun[0]!.signal.aborted).toBe(false);
  two.abort();
  await pause();
  expect(begun[0]!.signal.aborted).toBe(true);
  // Nobody is there to be told.
  expect(await stateOf(a)).toBe('waits');
  expect(await stateOf(b)).toBe('waits');
});

test('who asks after it was given up has it begun anew', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const gone = new AbortController();
  void ask('hour', work, gone.signal);
  gone.abort();
  await pause();
  const again = ask('hour', work);
  expect(begun).toHaveLength(2);
  begun[1]!.end('anew');
  expect(await again).toBe('anew');
});

test('who asks the same soon after joins what still goes on', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const gone = new AbortController();
  void ask('hour', work, gone.signal);
  gone.abort();
  const next = ask('hour', work);
  await pause();
  expect(begun).toHaveLength(1);
  begun[0]!.end('an hour');
  expect(await next).toBe('an hour');
});

test('who has gone before asking has nothing begun', () => {
  const { begun, work } = slowWork();
  void joining<string>(GRACE)('hour', work, AbortSignal.abort());
  expect(begun).toHaveLength(0);
});

test('who goes after the answer has come gives nothing up; a failure is everybody’s', async () => {
  const { begun, work } = slowWork();
  const ask = joining<string>(GRACE);
  const late = new AbortController();
  const fine = ask('hour', work, late.signal);
  begun[0]!.end('fine');
  await fine;
  late.abort();
  await pause();
  expect(begun[0]!.signal.aborted).toBe(false);
  const failing = [ask('hour', work), ask('hour', work)];
  begun[1]!.fail(new Error('it cannot be'));
  for (const one of failing) await expect(one).rejects.toThrow('it cannot be');
});
