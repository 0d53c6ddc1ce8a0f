import 'server-only';
import { fork, spawnSync, type ChildProcess, type ForkOptions } from 'node:child_process';

/**
 * How the engine of a process that reckons runs: without threads of its own that help, which would take processors from whoever
 * answers; and with more room, in MB, for what is soon thrown away, so that it is cleared less often.
 */
const ENGINE = ['--single-threaded', '--max-semi-space-size=32'];

let tethers: boolean | undefined;

/** Whether this system can end a process together with the one that began it, however that ends. */
export const canTether = (): boolean =>
  (tethers ??= spawnSync('setpriv', ['--pdeathsig', 'KILL', 'true']).status === 0);

/** How a process that reckons is started. */
export const startedBy = (): ForkOptions => ({
  ...(canTether()
    ? { execPath: 'setpriv', execArgv: ['--pdeathsig', 'KILL', process.execPath, ...ENGINE] }
    : { execArgv: ENGINE }),
  serialization: 'advanced',
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
});

interface Doing {
  resolve: (answer: unknown) => void;
  reject: (error: Error) => void;
}

/** A process of its own that reckons, one thing after another. */
export class Reckoner {
  private child: ChildProcess;
  private doing: Doing | null = null;
  private gone: Promise<void>;
  /** Whether it can be given something to do. */
  alive = true;

  /**
   * @param script what it runs: answers each message with one
   * @param file given to the script
   */
  constructor(script: string, file: string) {
    this.child = fork(script, [file], startedBy());
    const { child } = this;
    child.on('message', (answer) => {
      const { doing } = this;
      this.doing = null;
      doing?.resolve(answer);
    });
    this.gone = new Promise((resolve) => {
      const ended = (why: string) => {
        this.alive = false;
        this.doing?.reject(new Error(`The calculation worker has stopped: ${why}.`));
        resolve();
      };
      child.once('error', (error) => ended(error.message));
      child.once('exit', (code, signal) => ended(signal ?? `exit code ${code}`));
    });
  }

  /**
   * Has something done.
   *
   * @param order what the script takes
   * @returns what it answers
   * @throws Error when the process ends before
   */
  does<Answer>(order: object): Promise<Answer> {
    return new Promise<unknown>((resolve, reject) => {
      this.doing = { resolve, reject };
      this.child.send(order, (error) => error && reject(error));
    }) as Promise<Answer>;
  }

  /**
   * Keeps it still, or lets it go on. Where it would be left behind if this process ended meanwhile, nothing is done: nobody
   * could wake it.
   */
  stand(still: boolean): void {
    if (this.alive && canTether()) this.child.kill(still ? 'SIGSTOP' : 'SIGCONT');
  }

  /** Ends it, whatever it does: it only reads. */
  async end(): Promise<void> {
    this.alive = false;
    this.child.kill('SIGKILL');
    await this.gone;
  }
}
