export {
  simulatePutt,
  simulatePutts,
  startOf,
  startsAs,
  truthOn,
  type SimulatedPutt,
  type TruePath,
  type Truth,
  type Wander,
} from './player';
export { chance, type Chance } from './random';
