import { parseArgs } from 'node:util';
import { STAND_INS, chance, standInLine, standInStroke, type StandIn } from '@/core/simulate';
import { DEGREE } from '@/core/units';

/**
 * Stands in for an instrument: sends the strokes of a made-up player to a server, as an instrument would. Several with the same
 * seed read the same strokes.
 */
const { values: asked } = parseArgs({
  options: {
    address: { type: 'string', default: 'http://127.0.0.1:3000' },
    /** As it is shown once, under Devices. */
    secret: { type: 'string' },
    kind: { type: 'string', default: 'putting' },
    putts: { type: 'string', default: '20' },
    /** Seconds between two putts. */
    every: { type: 'string', default: '6' },
    seed: { type: 'string', default: '1' },
    /** Shares of lines that are never sent, sent twice, and cut off in the middle. */
    drop: { type: 'string', default: '0' },
    double: { type: 'string', default: '0' },
    cut: { type: 'string', default: '0' },
    /** How far right of the line it stands, degrees. */
    turned: { type: 'string', default: '0' },
  },
});

async function main(): Promise<void> {
  const { address, secret, kind } = asked;
  if (!secret || !(kind in STAND_INS)) {
    throw new Error(
      `Usage: npm run sensor -- --secret … [--kind ${Object.keys(STAND_INS).join('|')}] [--address …] [--putts 20] [--every 6]`,
    );
  }
  const number = (name: 'putts' | 'every' | 'seed' | 'drop' | 'double' | 'cut' | 'turned') => {
    const value = Number(asked[name]);
    if (!Number.isFinite(value)) throw new Error(`--${name} is not a number: ${asked[name]}.`);
    return value;
  };
  const seed = number('seed');
  const luck = chance(seed + kind.length);
  const begun = Date.now();
  for (let index = 0; index < number('putts'); index++) {
    await new Promise((resolve) => setTimeout(resolve, 1000 * number('every')));
    const named = { id: `${begun}-${index}`, at: new Date(), turned: number('turned') * DEGREE };
    const line = JSON.stringify(
      standInLine(kind as StandIn, standInStroke(seed, index), named, luck),
    );
    if (luck.uniform() < number('drop')) continue;
    const text = luck.uniform() < number('cut') ? line.slice(0, line.length / 2) : line;
    for (let time = 0; time <= Number(luck.uniform() < number('double')); time++) {
      const answer = await fetch(`${address}/api/instruments/putts`, {
        method: 'POST',
        headers: { authorization: `Bearer ${secret}`, 'content-type': 'application/x-ndjson' },
        body: `${text}\n`,
      });
      console.log((await answer.text()).trim());
    }
  }
}

main().catch((error: Error) => {
  console.error(error.message);
  process.exitCode = 1;
});
