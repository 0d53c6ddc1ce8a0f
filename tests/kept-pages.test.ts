import { readFileSync } from 'node:fs';
import { runInNewContext } from 'node:vm';
import fc from 'fast-check';

type Answer = { status: number; text: string; late: number } | 'no answer';

const ORIGIN = 'https://dirigo.test';

/** The worker of the pages, in a browser that is nothing but its network and its caches. */
function browserOf(answers: Record<string, Answer>, noticed: () => void) {
  const caches = new Map<string, Map<string, Response>>();
  const heard = new Map<string, (event: object) => void>();
  const fetched = async (path: string): Promise<Response> => {
    const answer = answers[path] ?? 'no answer';
    if (answer === 'no answer') throw new TypeError('no answer');
    for (let turn = 0; turn < answer.late; turn++) await Promise.resolve();
    return new Response(answer.text, { status: answer.status });
  };
  const cacheOf = (name: string) => {
    const cache = caches.get(name) ?? new Map<string, Response>();
    caches.set(name, cache);
    return cache;
  };
  const open = async (name: string) => {
    const cache = cacheOf(name);
    return {
      match: async (at: string) => cache.get(at),
      keys: async () => [...cache.keys()].map((at) => ({ url: `${ORIGIN}${at}` })),
      delete: async (at: string) => cache.delete(at),
      put: async (at: string, response: Response) => {
        cache.set(at, response);
        noticed();
      },
    };
  };
  const self = {
    location: { href: `${ORIGIN}/sw.js?build=b1`, origin: ORIGIN },
    addEventListener: (type: string, hear: (event: object) => void) => heard.set(type, hear),
  };
  runInNewContext(readFileSync('public/sw.js', 'utf8'), {
    ...{ self, URL, Response, AbortController, setTimeout, clearTimeout },
    fetch: fetched,
    caches: { open, keys: async () => [...caches.keys()], delete: async () => true },
  });
  return {
    caches: (name: 'pages' | 'files') => cacheOf(`dirigo-${name}-b1`),
    /** Tells it something, and waits until it has done with it; whether it could. */
    tell: async (data: object): Promise<boolean> => {
      const work: Promise<unknown>[] = [];
      heard.get('message')!({ data, waitUntil: (one: Promise<unknown>) => work.push(one) });
      return Promise.all(work).then(
        () => true,
        () => false,
      );
    },
  };
}

const answer = fc.oneof(
  { weight: 4, arbitrary: fc.record({ status: fc.constant(200), late: fc.nat(9) }) },
  { weight: 1, arbitrary: fc.record({ status: fc.constantFrom(404, 500), late: fc.nat(9) }) },
  { weight: 1, arbitrary: fc.constant('no answer' as const) },
);

describe.each(['the page for no server', 'a session'] as const)('%s', (what) => {
  const path = what === 'a session' ? '/sessions/1' : '/offline';

  test('is kept once all is that it is made of, and never before', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(answer, { maxLength: 6 }),
        fc.array(fc.nat(5), { maxLength: 3 }),
        async (files, already) => {
          const names = files.map((_, i) => `/_next/static/chunks/part-${i}.js`);
          const answers: Record<string, Answer> = {
            [path]: { status: 200, late: 0, text: names.join(' ') },
          };
          files.forEach((file, i) => {
            answers[names[i]!] = file === 'no answer' ? file : { ...file, text: `part ${i}` };
          });
          const lacking = () => names.filter((name) => !kept().has(name) && there(name));
          const there = (name: string) => {
            const one = answers[name]!;
            return one === 'no answer' || one.status === 200;
          };
          const early: string[][] = [];
          const browser = browserOf(answers, () => {
            if (browser.caches('pages').has(path)) early.push(lacking());
          });
          // Files are asked for by their whole address where a page that is open tells of them.
          const kept = () =>
            new Map(
              [...browser.caches('files')].map(([at, value]) => [at.replace(ORIGIN, ''), value]),
            );
          const asked = what === 'a session' ? names.map((name) => `${ORIGIN}${name}`) : names;
          for (const name of names) answers[`${ORIGIN}${name}`] = answers[name]!;
          for (const i of already) {
            if (i < asked.length) browser.caches('files').set(asked[i]!, new Response('before'));
          }
          const done = await browser.tell(
            what === 'a session' ? { page: path, files: asked } : { shell: path },
          );
          const whole = names.every((name) => kept().has(name) || answers[name] !== 'no answer');
          expect(done).toBe(whole);
          expect(browser.caches('pages').has(path)).toBe(whole);
          expect(early.flat()).toEqual([]);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('that is refused or has moved is not kept', async () => {
    const browser = browserOf({ [path]: { status: 404, text: '', late: 0 } }, () => undefined);
    await browser.tell(what === 'a session' ? { page: path, files: [] } : { shell: path });
    expect(browser.caches('pages').size).toBe(0);
  });
});
