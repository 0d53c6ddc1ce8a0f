'use server';

import { getTranslations } from 'next-intl/server';
import { z } from 'zod';
import { nameSchema } from '@/core/people';
import { STAND_INS, type StandIn } from '@/core/simulate';
import {
  Problem,
  addInstrument,
  endInstrument,
  forgetRefused,
  leftLines,
  listInstruments,
  standBeside,
  takeWaiting,
  type CoachPrincipal,
  type Database,
  type Instrument,
  type LeftLine,
} from '@/data';
import { coachAction } from '../shared/action';
import { tellRun } from './live';
import { simulatedNow, startStandIn, stopStandIn } from './stand-in';

const ANYONE = { least: 'assistant' } as const;

/** Adds an instrument; answers with its secret, which is told no second time. */
export const makeInstrument = coachAction(
  z.object({ name: nameSchema('An instrument needs a name.') }),
  async (database, principal, { name }) => {
    const { secret } = await addInstrument(database, principal, name, new Date());
    return secret;
  },
);

/** Ends an instrument. */
export const endNow = coachAction(
  z.uuid(),
  async (database, principal, id) => {
    await endInstrument(database, principal, id, new Date());
    return null;
  },
  ANYONE,
);

async function senderOf(database: Database, principal: CoachPrincipal, id: string) {
  const t = await getTranslations();
  const own = (await listInstruments(database, principal)).find((one) => one.id === id);
  if (!own) throw new Problem('not-found', t('instruments.actions.thisInstrumentDoesNotExist'));
  return { instrumentId: id, name: own.name, sessionId: own.sessionId, principal };
}

/** Says beside which session an instrument stands; what waited for that is taken in. */
export const standHere = coachAction(
  z.object({ id: z.uuid(), sessionId: z.uuid().nullable() }),
  async (database, principal, { id, sessionId }) => {
    await standBeside(database, principal, id, sessionId);
    const sender = await senderOf(database, principal, id);
    const taken = await takeWaiting(database, sender, new Date());
    for (const one of taken) {
      if (one.state === 'taken') tellRun(one.runId, principal.coachId);
    }
    return taken.length;
  },
  ANYONE,
);

export interface InstrumentsNow {
  instruments: Instrument[];
  demo: boolean;
  /** Names of those that are simulated at this moment. */
  simulated: string[];
}

/** The instruments there are, whether they may be simulated, and which are. */
export const besideNow = coachAction(
  z.null(),
  async (database, principal): Promise<InstrumentsNow> => {
    const instruments = await listInstruments(database, principal);
    const now = simulatedNow();
    return {
      instruments,
      demo: process.env.DIRIGO_OPEN === '1',
      simulated: instruments.filter(({ id }) => now.includes(id)).map(({ name }) => name),
    };
  },
  { ...ANYONE, reads: true },
);

/** The lines of an instrument that are in no session. */
export const linesLeft = coachAction(
  z.uuid(),
  async (database, principal, id): Promise<LeftLine[]> => {
    await senderOf(database, principal, id);
    return leftLines(database, principal, id);
  },
  { ...ANYONE, reads: true },
);

/** Forgets what an instrument sent and could not be read. */
export const forgetLines = coachAction(
  z.uuid(),
  async (database, principal, id) => {
    await senderOf(database, principal, id);
    await forgetRefused(database, principal, id);
    return null;
  },
  ANYONE,
);

const kindSchema = z.enum(Object.keys(STAND_INS) as [StandIn, ...StandIn[]]);

/** Stops a simulated instrument. */
export const stopSimulated = coachAction(
  z.object({ kind: kindSchema }),
  async (database, principal, { kind }) => {
    const { name } = STAND_INS[kind];
    const there = (await listInstruments(database, principal)).find((one) => one.name === name);
    if (there) stopStandIn(there.id);
    return null;
  },
  ANYONE,
);

/** In the demo, where nobody is real: a simulated player putts beside a simulated instrument. */
export const tryStandIn = coachAction(
  z.object({ sessionId: z.uuid(), kind: kindSchema }),
  async (database, principal, { sessionId, kind }) => {
    if (process.env.DIRIGO_OPEN !== '1') {
      throw new Problem(
        'refused',
        'Simulated instruments work only in the demo. The students here are real.',
      );
    }
    const { name } = STAND_INS[kind];
    const there = (await listInstruments(database, principal)).find((one) => one.name === name);
    const id = there?.id ?? (await addInstrument(database, principal, name, new Date())).id;
    await standBeside(database, principal, id, sessionId);
    startStandIn(kind, await senderOf(database, principal, id));
    return name;
  },
  ANYONE,
);
