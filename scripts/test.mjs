import { existsSync, rmSync } from 'node:fs';
import { build, install, run } from './prepare.mjs';

/** The browser that the tests drive: the one named, or Debian's, installed when it is missing. */
function chromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(path)) return;
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args];
    run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' });
  };
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
}

const began = Date.now();
install();
chromium();
run('npx', ['next', 'typegen']);
run('npm', ['run', '--silent', 'lint']);
run('npx', ['tsc', '--noEmit']);
run('npx', ['jest', '--silent']);
build();
rmSync('test-results', { recursive: true, force: true });
run('npx', ['playwright', 'test']);
console.log(
  `\nAll passed in ${((Date.now() - began) / 60_000).toFixed(1)} min on Node ${process.versions.node}.`,
);
