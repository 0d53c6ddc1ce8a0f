import fc from 'fast-check';
import { Crew, type Member } from './crew';

/** One who answers when it is told to. */
class Fake implements Member {
  static called: Fake[] = [];
  alive = true;
  standing = false;
  order: { name: string } | null = null;
  private settle: { resolve: (value: unknown) => void; reject: (error: Error) => void } | null =
    null;

  constructor() {
    Fake.called.push(this);
  }
  does<Answer>(order: object): Promise<Answer> {
    expect(this.alive).toBe(true);
    expect(this.order).toBeNull();
    this.order = order as { name: string };
    return new Promise<unknown>((resolve, reject) => {
      this.settle = { resolve, reject };
    }) as Promise<Answer>;
  }
  answer(): void {
    const { order, settle } = this;
    [this.order, this.settle] = [null, null];
    settle?.resolve(`${order!.name} done`);
  }
  stand(still: boolean): void {
    this.standing = still;
  }
  async end(): Promise<void> {
    this.alive = false;
    this.settle?.reject(new Error('ended'));
    this.settle = null;
  }
}

const turns = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};
const nobody = () => new AbortController().signal;
const busy = () => Fake.called.filter(({ alive, order }) => alive && order !== null);

beforeEach(() => (Fake.called = []));

test('what is more than can be done at once waits for its turn, with those who are there', async () => {
  const crew = new Crew(2, () => new Fake());
  const answers = ['a', 'b', 'c'].map((name) => crew.does({ name }, nobody()));
  await turns();
  expect(busy().map(({ order }) => order!.name)).toEqual(['a', 'b']);
  Fake.called[1]!.answer();
  await turns();
  expect(busy().map(({ order }) => order!.name)).toEqual(['a', 'c']);
  for (const one of busy()) one.answer();
  expect(await Promise.all(answers)).toEqual(['a done', 'b done', 'c done']);
  expect(Fake.called).toHaveLength(2);
});

test('what is given up ends who does it, and nobody else; what waited is not begun', async () => {
  const crew = new Crew(1, () => new Fake());
  const [one, two] = [new AbortController(), new AbortController()];
  const first = crew.does({ name: 'first' }, one.signal);
  const second = crew.does({ name: 'second' }, two.signal);
  const third = crew.does({ name: 'third' }, nobody());
  await turns();
  two.abort();
  one.abort();
  await expect(first).rejects.toThrow('ended');
  await expect(second).rejects.toThrow(/abort/);
  await turns();
  expect(Fake.called.map(({ alive }) => alive)).toEqual([false, true]);
  busy()[0]!.answer();
  expect(await third).toBe('third done');
  // Once it is done, nobody ends for it any more.
  expect(Fake.called[1]!.alive).toBe(true);
});

test('one that ended while it had nothing to do is not asked again', async () => {
  const crew = new Crew(1, () => new Fake());
  const first = crew.does({ name: 'first' }, nobody());
  await turns();
  Fake.called[0]!.answer();
  await first;
  Fake.called[0]!.alive = false;
  const second = crew.does({ name: 'second' }, nobody());
  await turns();
  Fake.called[1]!.answer();
  expect(await second).toBe('second done');
});

test('only who does something is kept still; all go on', async () => {
  const crew = new Crew(2, () => new Fake());
  const answers = ['a', 'b'].map((name) => crew.does({ name }, nobody()));
  await turns();
  Fake.called[0]!.answer();
  await answers[0];
  expect(crew.still()).toBe(true);
  expect(Fake.called.map(({ standing }) => standing)).toEqual([false, true]);
  crew.on();
  expect(Fake.called.map(({ standing }) => standing)).toEqual([false, false]);
  Fake.called[1]!.answer();
  await answers[1];
  expect(crew.still()).toBe(false);
});

test('one that has ended does nothing any more, whatever waited', async () => {
  const crew = new Crew(1, () => new Fake());
  const answers = ['a', 'b'].map((name) => crew.does({ name }, nobody()).catch(String));
  await turns();
  await crew.end();
  expect(await Promise.all(answers)).toEqual([
    'Error: ended',
    'Error: No more calculations can be run.',
  ]);
  expect(Fake.called).toHaveLength(1);
});

test('in whatever order, never more than can be are busy, and all that stay are answered', async () => {
  const step = fc.constantFrom('ask', 'ask', 'answer', 'answer', 'give up', 'die');
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: 3 }), fc.array(step), async (most, steps) => {
      Fake.called = [];
      const crew = new Crew(most, () => new Fake());
      const asked: { control: AbortController; told: Promise<string> }[] = [];
      for (const [number, what] of steps.entries()) {
        if (what === 'ask') {
          const control = new AbortController();
          const told = crew.does<string>({ name: `${number}` }, control.signal).catch(String);
          asked.push({ control, told });
        } else if (what === 'answer') busy()[0]?.answer();
        else if (what === 'give up') asked[number % Math.max(1, asked.length)]?.control.abort();
        else await busy()[0]?.end();
        await turns();
        expect(busy().length).toBeLessThanOrEqual(most);
        expect(Fake.called.filter(({ alive }) => alive).length).toBeLessThanOrEqual(most);
      }
      while (busy().length > 0) {
        busy()[0]!.answer();
        await turns();
      }
      for (const { told } of asked) expect(await told).toMatch(/done|ended|abort/);
    }),
    { numRuns: 200 },
  );
});
