import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';

const HOST = '127.0.0.1';

/** The first free port from here on. */
async function freePort(from) {
  for (let port = from; port < from + 50; port++) {
    const free = await new Promise((resolve) => {
      const probe = createServer()
        .once('error', () => resolve(false))
        .once('listening', () => probe.close(() => resolve(true)))
        .listen(port, HOST);
    });
    if (free) return port;
  }
  throw new Error(`No port is free from ${from} on.`);
}

/** Makes the database ready, then serves the built application until it is stopped. */
export async function serve({ database, demo }) {
  const env = { ...process.env, DIRIGO_DB: database, NEXT_TELEMETRY_DISABLED: '1' };
  const ready = spawnSync('npx', ['tsx', 'scripts/ready.ts', ...(demo ? ['--demo'] : [])], {
    stdio: 'inherit',
    env,
  });
  if (ready.status !== 0) process.exit(ready.status ?? 1);
  const port = await freePort(Number(process.env.PORT ?? 3000));
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', HOST, '-p', String(port)],
    { stdio: ['ignore', 'pipe', 'inherit'], env },
  );
  let told = false;
  server.stdout.on('data', (chunk) => {
    if (told || !/ready/i.test(String(chunk))) return;
    told = true;
    console.log(`\nDirigo is at http://${HOST}:${port}  (stop with Ctrl C)\n`);
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
