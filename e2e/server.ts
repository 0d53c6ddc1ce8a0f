import { connect } from 'node:net';
import { pathToFileURL } from 'node:url';
import { spawn, type ChildProcess } from 'node:child_process';

/** A server of a test's own, which it may kill. */
export interface OwnServer {
  url: string;
  /** Kills it at once, as a power cut would. */
  kill(): Promise<void>;
}

/** Whether something listens on a port. */
const listens = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy();
      resolve(true);
    }).once('error', () => resolve(false));
  });

interface ServedAs {
  /** How far its clock runs ahead, ms. */
  ahead?: number;
  env?: Record<string, string>;
  args?: string[];
  /** Where it is reached, when not by HTTP on this machine. */
  url?: string;
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
      stdio: 'ignore',
    },
  );
  for (let tries = 0; ; tries++) {
    const up = await listens(port);
    if (up) break;
    if (tries > 100) throw new Error('The server did not come up.');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  // A test that fails before it kills its server leaves none behind: the next would talk to that one.
  const last = () => child.kill('SIGKILL');
  process.once('exit', last);
  child.once('exit', () => process.off('exit', last));
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  return {
    url,
    kill: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill('SIGKILL');
      await ended;
    },
  };
}
