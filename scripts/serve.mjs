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
  throw new Error(`No free port was found from ${from} upwards.`);
}

/** Makes the database ready, then serves the built application until it is stopped. */
export async function serve({ database, demo }) {
  const args = process.argv.slice(2);
  // The demo on this machine holds made-up people only, and is open to whoever sits here; anything else asks.
  const open = demo && !args.includes('--network');
  const env = {
    ...process.env,
    DIRIGO_DB: database,
    NEXT_TELEMETRY_DISABLED: '1',
    ...(open && { DIRIGO_OPEN: '1' }),
    // Somebody who reads the terminal wants to see what is wrong, not every event.
    ...(process.stderr.isTTY && !process.env.DIRIGO_LOG_LEVEL && { DIRIGO_LOG_LEVEL: 'warn' }),
  };
  const ready = spawnSync('npx', ['tsx', 'scripts/ready.ts', ...(demo ? ['--demo'] : [])], {
    stdio: 'inherit',
    env,
  });
  if (ready.status !== 0) process.exit(ready.status ?? 1);
  const port = await freePort(Number(process.env.PORT ?? 3000));
  const server = spawn(process.execPath, ['server/main.mjs', '--port', String(port), ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env,
  });
  let told = false;
  server.stdout.on('data', (chunk) => {
    process.stdout.write(chunk);
    const address = /Dirigo is at (\S+)/.exec(String(chunk))?.[1];
    if (!address || told) return;
    told = true;
    const asks = !open || env.DIRIGO_ORIGIN || env.DIRIGO_HOME;
    if (!asks) return;
    spawn('npx', ['tsx', 'scripts/sign-in.ts', '--address', address], { stdio: 'inherit', env });
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  // A supervisor restarts what ends with an error: one that a signal ended has no code of its own.
  server.on('exit', (code) => process.exit(code ?? 1));
}
