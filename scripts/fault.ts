import { parseArgs } from 'node:util';
import { chromium } from '@playwright/test';
import { chance } from '@/core/simulate';
import { FAULTS, faultSession, tryFault } from '../e2e/faults';
import { serve } from '../e2e/server';
import { fileFaults, inFolder } from './fault-files';
import { killsAndDrops } from './fault-kills';
import { browserRows, recoveryFaults, unitRows } from './fault-recovery';
import { ownPort } from '../e2e/ports';

/** Tries everything that once lost putts or broke a file, and prints what comes of it. Needs a build. */
const { values } = parseArgs({
  options: {
    putts: { type: 'string', default: '2000' },
    kills: { type: 'string', default: '20' },
    every: { type: 'string', default: '1' },
    seed: { type: 'string', default: '1' },
  },
});

function row(tried: string, must: string, said: string, ok: boolean): void {
  console.log(`| ${tried} | ${must} | ${said} | ${ok ? 'yes' : '**no**'} |`);
  if (!ok) process.exitCode = 1;
}

async function browsers(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  await inFolder(async (file) => {
    const server = await serve(ownPort('faults'), file);
    const page = await (await browser.newContext({ baseURL: server.url })).newPage();
    const session = await faultSession(page, 'Fault Weir');
    for (const fault of FAULTS) {
      const said = await tryFault(browser, session, fault).then(
        ({ logged, kept }) => ({
          words: `${kept} of ${logged} putts on the server`,
          ok: kept === logged,
        }),
        (error: Error) => ({ words: error.message.split('\n')[0]!, ok: false }),
      );
      row(fault.tried, fault.must, said.words, said.ok);
    }
    await server.kill();
  });
  await browser.close();
}

async function main(): Promise<void> {
  const random = chance(Number(values.seed));
  console.log('| Test | Expected | Result | Passed | |---|---|---|---|');
  await browsers();
  for (const { tried, must, run } of fileFaults(Number(values.every))) {
    const { said, ok } = await inFolder((file) => run(file, random));
    row(tried, must, said, ok);
  }
  for (const { tried, must, run } of recoveryFaults) {
    const { said, ok } = await inFolder((file) => run(file, random));
    row(tried, must, said, ok);
  }
  for (const { tried, said, ok } of unitRows()) row(tried, 'all pass', said, ok);
  for (const { title, ok } of browserRows()) row(title, 'so', ok ? 'so' : 'NOT SO', ok);
  const { said, ok } = await killsAndDrops(Number(values.putts), Number(values.kills), random);
  row(
    'kill the server while requests are dropped and repeated',
    'no putt lost and none duplicated',
    said,
    ok,
  );
}

void main();
