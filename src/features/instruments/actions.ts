'use server';

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
import { startStandIn } from './stand-in';

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
  const own = (await listInstruments(database, principal)).find((one) => one.id === id);
  if (!own) throw new Problem('not-found', 'There is no such instrument.');
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

/** The instruments there are, and whether stand-ins may be tried. */
export const besideNow = coachAction(
  z.null(),
  async (database, principal): Promise<{ instruments: Instrument[]; demo: boolean }> => ({
    instruments: await listInstruments(database, principal),
    demo: process.env.DIRIGO_OPEN === '1',
  }),
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

/** In the demo, where nobody is real: a made-up player putts beside a stand-in. */
export const tryStandIn = coachAction(
  z.object({ sessionId: z.uuid(), kind: kindSchema }),
  async (database, principal, { sessionId, kind }) => {
    if (process.env.DIRIGO_OPEN !== '1') {
      throw new Problem('refused', 'Stand-ins putt in the demo only: here the players are real.');
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
