import { constants, accessSync, existsSync, rmSync, statfsSync } from 'node:fs';
import { COMPILE, build, fetchPackages, installed, run, together } from './prepare.mjs';

/** What the tests drive and stand behind, Debian's where none is named: a browser, and a server in front. */
function tools() {
  const missing = [
    ['chromium', process.env.CHROMIUM ?? '/usr/bin/chromium'],
    ['nginx-light', process.env.NGINX ?? '/usr/sbin/nginx'],
  ].flatMap(([name, path]) => (existsSync(path) ? [] : [name]));
  if (missing.length === 0) return;
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args];
    run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' });
  };
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', ...missing);
}

/** Where the unit tests' databases lie: in memory, where there is room, so that they do not wait for a disk. */
function inMemory() {
  const memory = '/dev/shm';
  const enough = 512 * 1024 * 1024;
  try {
    accessSync(memory, constants.W_OK);
    const { bavail, bsize } = statfsSync(memory);
    return bavail * bsize > enough ? { TMPDIR: memory } : {};
  } catch {
    return {};
  }
}

const began = Date.now();
const compiles = fetchPackages();
tools();
run('npx', ['next', 'typegen']);
// What needs nothing compiled is checked meanwhile.
await together([...(compiles ? [COMPILE] : []), ['npm', 'run', '--silent', 'check']], inMemory());
if (compiles) installed();
run('npx', ['jest', '--silent', '--testPathIgnorePatterns', 'src/core'], inMemory());
build();
rmSync('test-results', { recursive: true, force: true });
run('npx', ['playwright', 'test']);
console.log(
  `\nAll passed in ${((Date.now() - began) / 60_000).toFixed(1)} min on Node ${process.versions.node}.`,
);
