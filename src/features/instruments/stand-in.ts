import 'server-only';
import { chance, standInLine, standInStroke, type StandIn } from '@/core/simulate';
import { connection, takeLines, type Sender } from '@/data';
import { log } from '../shared/log';
import { tellRun } from './live';

/** Putts that a stand-in sends, and how far apart they are, ms. */
const PUTTS = 20;
const EVERY = 3000;

const KEY = Symbol.for('dirigo.standIns');
/** How to stop each simulated instrument that is putting. */
const running = (): Map<string, () => void> => {
  const there = globalThis as { [KEY]?: Map<string, () => void> };
  return (there[KEY] ??= new Map());
};

/** The instruments that are simulated at this moment. */
export const simulatedNow = (): string[] => [...running().keys()];

/** Stops a simulated instrument; nothing happens where it is not putting. */
export const stopStandIn = (instrumentId: string): void => running().get(instrumentId)?.();

/** Has a simulated player putt beside an instrument for a while; once at a time for each. */
export function startStandIn(kind: StandIn, own: Sender): void {
  const sender: Sender = { ...own, simulated: true };
  const { instrumentId } = sender;
  if (running().has(instrumentId)) return;
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
  running().set(instrumentId, stop);
}
