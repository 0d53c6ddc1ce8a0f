import { existsSync, rmSync } from 'node:fs';
import { build, install, run } from './prepare.mjs';

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

const began = Date.now();
install();
tools();
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
