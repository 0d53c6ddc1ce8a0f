import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { Reckoner, canTether, startedBy } from './reckoner';

jest.mock('server-only', () => ({}));

/** Counts up for ever once it is told to, dies when it is told to, and otherwise says what it was told, and by whom. */
const SCRIPT = `
  process.on('message', ({ say }) => {
    if (say === 'for ever') for (;;);
    if (say === 'die') process.exit(3);
    process.send({ said: say, file: process.argv[2], pid: process.pid });
  });
  process.on('disconnect', () => process.exit());
`;
interface Said {
  said: unknown;
  file: string;
  pid: number;
}

let folder: string;
let script: string;
let one: Reckoner;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-reckoner-'));
  script = join(folder, 'script.mjs');
  writeFileSync(script, SCRIPT);
});
afterAll(() => rmSync(folder, { recursive: true }));
beforeEach(() => (one = new Reckoner(script, 'a.db')));
afterEach(() => one.end());

const runs = (pid: number) => existsSync(`/proc/${pid}`) && stateOf(pid) !== 'Z';
/** R while it runs, S while it waits, T while it is kept still. */
const stateOf = (pid: number) => /\) (\w)/.exec(readFileSync(`/proc/${pid}/stat`, 'utf8'))![1]!;

/** Elsewhere nothing is kept still. */
const whereTethered = canTether() ? test : test.skip;

async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await setTimeout(5);
}

test('does one thing after another, in a process of its own', async () => {
  const first = await one.does<Said>({ say: new Map([['as it is', new Date(0)]]) });
  expect(first.said).toEqual(new Map([['as it is', new Date(0)]]));
  expect(first.file).toBe('a.db');
  expect(first.pid).not.toBe(process.pid);
  const second = await one.does<Said>({ say: 2 });
  expect(second).toMatchObject({ said: 2, pid: first.pid });
});

test('whoever waits is told when it ends by itself, and how', async () => {
  await expect(one.does({ say: 'die' })).rejects.toThrow('has stopped: exit code 3');
  expect(one.alive).toBe(false);
});

test('is ended in the middle of what it does', async () => {
  const { pid } = await one.does<Said>({ say: 1 });
  const answer = one.does({ say: 'for ever' });
  answer.catch(() => null);
  await until(() => stateOf(pid) === 'R');
  await one.end();
  await expect(answer).rejects.toThrow('has stopped: SIGKILL');
  expect(runs(pid)).toBe(false);
});

whereTethered('stands still, goes on, and is ended while it stands', async () => {
  const { pid } = await one.does<Said>({ say: 1 });
  one.does({ say: 'for ever' }).catch(() => null);
  await until(() => stateOf(pid) === 'R');
  one.stand(true);
  await until(() => stateOf(pid) === 'T');
  one.stand(false);
  await until(() => stateOf(pid) === 'R');
  one.stand(true);
  await one.end();
  expect(runs(pid)).toBe(false);
});

whereTethered(
  'one that stands still goes with the program that keeps it, however that ends',
  async () => {
    // A program of its own starts it in the same way, keeps it still, and is killed.
    const parent = spawn(
      process.execPath,
      [
        '--input-type=module',
        '-e',
        `import { fork } from 'node:child_process';
       const child = fork(${JSON.stringify(script)}, ['a.db'], ${JSON.stringify(startedBy())});
       child.once('message', () => {
         child.kill('SIGSTOP');
         console.log(child.pid);
       });
       child.send({ say: 1 });`,
      ],
      { stdio: ['ignore', 'pipe', 'inherit'] },
    );
    const pid = await new Promise<number>((resolve) =>
      parent.stdout.once('data', (said) => resolve(Number(String(said)))),
    );
    await until(() => stateOf(pid) === 'T');
    parent.kill('SIGKILL');
    await until(() => !runs(pid));
    expect(runs(pid)).toBe(false);
  },
);
