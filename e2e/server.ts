import { pathToFileURL } from 'node:url';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** A server of a test's own, which it may kill. */
export interface OwnServer {
  url: string;
  pid: number;
  /** The processes that it has started, and that live. */
  children(): number[];
  /** Kills it at once, as a power cut would. */
  kill(): Promise<void>;
  /** How it ended, once it has: its exit code, or null when it was killed. */
  ended(): Promise<number | null>;
}

interface ServedAs {
  /** How far its clock runs ahead, ms. */
  ahead?: number;
  env?: Record<string, string>;
  args?: string[];
  /** Where it is reached, when not by HTTP on this machine. */
  url?: string;
}

/**
 * Starts the server as `npm start` does, kills the server itself, and waits for the starter to end.
 *
 * @returns the exit code of the starter
 */
export async function starterAfterCrash(port: number, database: string): Promise<number | null> {
  const script = `import('./scripts/serve.mjs').then(({ serve }) => serve({ database: ${JSON.stringify(database)}, demo: false }))`;
  const starter = spawn(process.execPath, ['-e', script], {
    env: { ...process.env, PORT: String(port), DIRIGO_OPEN: '1' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  await new Promise<void>((resolve) =>
    starter.stdout.on('data', (said) => String(said).includes('Dirigo is at') && resolve()),
  );
  const ended = new Promise<number | null>((resolve) => starter.once('exit', resolve));
  const { stdout } = spawnSync('pgrep', ['-P', String(starter.pid), '-f', 'server/main.mjs']);
  process.kill(Number(String(stdout).trim().split('\n')[0]), 'SIGKILL');
  return ended;
}

/**
 * Serves the built application on a port with a database of its own.
 */
export async function serve(
  port: number,
  database: string,
  { ahead = 0, env = {}, args = [], url = `http://127.0.0.1:${port}` }: ServedAs = {},
): Promise<OwnServer> {
  const child: ChildProcess = spawn(
    process.execPath,
    ['server/main.mjs', '--port', String(port), ...args],
    {
      env: {
        ...process.env,
        DIRIGO_OPEN: '1',
        ...env,
        DIRIGO_DB: database,
        ...(ahead !== 0 && {
          CLOCK_SHIFT: String(ahead),
          NODE_OPTIONS: `--import ${pathToFileURL('e2e/clock.mjs').href}`,
        }),
      },
      stdio: ['ignore', 'pipe', 'ignore'],
    },
  );
  // It says where it is once it listens.
  await new Promise<void>((resolve, reject) => {
    child.stdout?.on('data', (said) => String(said).includes('Dirigo is at') && resolve());
    child.once('exit', () => reject(new Error('The server did not come up.')));
  });
  // A test that fails before it kills its server leaves none behind: the next would talk to that one.
  const last = () => child.kill('SIGKILL');
  process.once('exit', last);
  child.once('exit', () => process.off('exit', last));
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return {
    url,
    pid: child.pid!,
    children: () => {
      const told = readFileSync(`/proc/${child.pid}/task/${child.pid}/children`, 'utf8').trim();
      return told === '' ? [] : told.split(' ').map(Number);
    },
    ended: () => ended,
    kill: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill('SIGKILL');
      await ended;
    },
  };
}
