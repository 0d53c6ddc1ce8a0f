import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);

/** Runs a command with its output shown; ends the program when it fails. */
export function run(command, args, env = {}) {
  const began = Date.now();
  console.log(`\n▸ ${[command, ...args].join(' ')}`);
  const { status, error } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  if (error || status !== 0) {
    console.error(`\n✗ ${[command, ...args].join(' ')} failed${error ? `: ${error.message}` : ''}`);
    process.exit(status ?? 1);
  }
  console.log(`  ${((Date.now() - began) / 1000).toFixed(0)} s`);
}

/** Runs several commands at once, with their output as it comes; ends the program when one fails. */
export async function together(commands, env = {}) {
  const began = Date.now();
  const done = commands.map(([command, ...args]) => {
    console.log(`\n▸ ${[command, ...args].join(' ')}`);
    return new Promise((resolve) =>
      spawn(command, args, {
        stdio: 'inherit',
        env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
      })
        .once('error', () => resolve(1))
        .once('exit', (code) => resolve(code ?? 1)),
    );
  });
  const codes = await Promise.all(done);
  const failed = codes.findIndex((code) => code !== 0);
  if (failed >= 0) {
    console.error(`\n✗ ${commands[failed].join(' ')} failed`);
    process.exit(codes[failed]);
  }
  console.log(`  ${((Date.now() - began) / 1000).toFixed(0)} s`);
}

const MARK = 'node_modules/.dirigo-installed';
const locked = () => createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
const isInstalled = () => existsSync(MARK) && readFileSync(MARK, 'utf8') === locked();

/** Compiles what was fetched: the database, mostly, for some minutes on one processor. */
export const COMPILE = ['npm', 'rebuild'];

/** Notes that all is fetched and compiled. */
export const installed = () => writeFileSync(MARK, locked());

/**
 * Fetches what package-lock.json names, unless it is installed. Not `npm ci`: it refuses a lock made where the optional
 * packages of other platforms could not be seen.
 *
 * @returns whether it is still to be compiled
 */
export function fetchPackages() {
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Dirigo needs Node 20.19 or newer, but this is ${process.versions.node}.`);
    process.exit(1);
  }
  if (isInstalled()) return false;
  run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--ignore-scripts']);
  return true;
}

/** Fetches and compiles what package-lock.json names, unless that has been done. */
export function install() {
  if (!fetchPackages()) return;
  const [command, ...args] = COMPILE;
  run(command, args);
  installed();
}

/** Builds the application, unless the build is newer than every source. */
export function build() {
  const id = '.next/BUILD_ID';
  if (existsSync(id)) {
    const built = statSync(id).mtimeMs;
    const { stdout } = spawnSync('git', [
      'ls-files',
      '-co',
      '--exclude-standard',
      '-z',
      'src',
      'messages',
      'next.config.ts',
      'package-lock.json',
    ]);
    const sources = String(stdout ?? '')
      .split('\0')
      .filter(Boolean);
    const changed = (file) => !existsSync(file) || statSync(file).mtimeMs > built;
    if (sources.length > 0 && !sources.some(changed)) return;
  }
  run('npm', ['run', '--silent', 'build']);
}
