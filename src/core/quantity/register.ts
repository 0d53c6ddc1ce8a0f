import { aim } from './aim';
import { backLength } from './back-length';
import { edge } from './edge';
import { face } from './face';
import { headSpeed } from './head-speed';
import { height } from './height';
import { leadFoot } from './lead-foot';
import { loft } from './loft';
import { pace } from './pace';
import { path } from './putter-path';
import type { Quantity } from './quantity';
import { reading } from './reading';
import { rise } from './rise';
import { routineTime } from './routine-time';
import { start } from './start';
import { strike } from './strike';
import { tempo } from './tempo';
import { throughLength } from './through-length';
import { timeBack } from './time-back';
import { timeThrough } from './time-through';
import { wristBend } from './wrist-bend';
import { wristBendChange } from './wrist-bend-change';
import { wristCock } from './wrist-cock';
import { wristCockChange } from './wrist-cock-change';
import { wristTurn } from './wrist-turn';
import { wristTurnChange } from './wrist-turn-change';

/** All quantities. New ones go to the end: what is known of a player is kept in this order. */
const REGISTER: Quantity[] = [
  start,
  face,
  path,
  strike,
  pace,
  height,
  rise,
  loft,
  headSpeed,
  timeBack,
  timeThrough,
  tempo,
  wristBend,
  wristCock,
  wristTurn,
  wristBendChange,
  wristCockChange,
  wristTurnChange,
  leadFoot,
  aim,
  reading,
  routineTime,
  backLength,
  throughLength,
  edge,
];

/** Those with a prior: asked for too often to be looked for each time. */
let LATENTS = REGISTER.filter(({ prior }) => prior);

/** All quantities, in order. */
export const quantities = (): readonly Quantity[] => REGISTER;

/** Quantities that have a bias and a spread of their own. */
export const latents = (): readonly Quantity[] => LATENTS;

/**
 * The quantity of a name.
 *
 * @param id as in files
 * @throws RangeError when there is none
 * @example quantityOf('face').name // "Face angle"
 */
export function quantityOf(id: string): Quantity {
  const found = REGISTER.find((one) => one.id === id);
  if (!found)
    throw new RangeError(
      `“${id}” is not a quantity: use one of ${REGISTER.map((one) => one.id).join(', ')}.`,
    );
  return found;
}

/** Whether there is a quantity of that name. */
export const isQuantity = (id: string): boolean => REGISTER.some((one) => one.id === id);

/** Names of those that are trained: measured ones first, then what is made of them. */
export const trainedIds = (): string[] => {
  const trained = REGISTER.filter((one) => one.trained);
  return [...trained.filter(({ prior }) => prior), ...trained.filter(({ prior }) => !prior)].map(
    ({ id }) => id,
  );
};

/** Whether drills train a quantity of that name. */
export const isTrained = (id: string): boolean =>
  REGISTER.some((one) => one.id === id && one.trained);

/** Names of all misses that a bias makes. */
export const biasMisses = (): string[] => [
  ...new Set(
    REGISTER.flatMap(({ misses = [] }) => misses.map(({ id, drillsSay }) => drillsSay ?? id)),
  ),
];

/**
 * Adds a quantity while the program runs.
 *
 * @param quantity with a name that none has yet
 * @returns what takes it away again
 * @throws RangeError when the name is taken
 */
export function addQuantity(quantity: Quantity): () => void {
  if (isQuantity(quantity.id)) throw new RangeError(`A quantity “${quantity.id}” already exists.`);
  REGISTER.push(quantity);
  LATENTS = REGISTER.filter(({ prior }) => prior);
  return () => {
    REGISTER.splice(REGISTER.indexOf(quantity), 1);
    LATENTS = REGISTER.filter(({ prior }) => prior);
  };
}
