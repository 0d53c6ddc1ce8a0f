import 'server-only';
import { chance, standInLine, standInStroke, type StandIn } from '@/core/simulate';
import { connection, takeLines, type Sender } from '@/data';
import { log } from '../shared/log';
import { tellRun } from './live';

/** Putts that a stand-in sends, and how far apart they are, ms. */
const PUTTS = 20;
const EVERY = 3000;

const KEY = Symbol.for('dirigo.standIns');
const running = (): Set<string> => {
  const there = globalThis as { [KEY]?: Set<string> };
  return (there[KEY] ??= new Set());
};

/** Has a made-up player putt beside a stand-in for a while; once at a time for each. */
export function startStandIn(kind: StandIn, sender: Sender): void {
  const { instrumentId } = sender;
  if (running().has(instrumentId)) return;
  running().add(instrumentId);
  const luck = chance(1);
  const begun = Date.now();
  let index = 0;
  const stop = () => {
    clearInterval(again);
    running().delete(instrumentId);
  };
  const again = setInterval(() => {
    const at = new Date();
    const stroke = standInStroke(1, index);
    const line = standInLine(kind, stroke, { id: `${begun}-${index}`, at }, luck);
    index += 1;
    if (index >= PUTTS) stop();
    void connection()
      .then((database) => takeLines(database, sender, [JSON.stringify(line)], at))
      .then((told) => {
        for (const one of told) {
          if (one.state === 'taken') tellRun(one.runId, sender.principal.coachId);
          // The session was finished, or is gone: the player has left.
          else if (one.state === 'waiting') stop();
        }
      })
      .catch((error: unknown) => log.error({ event: 'simulated instrument failed', err: error }));
  }, EVERY);
  again.unref();
}
