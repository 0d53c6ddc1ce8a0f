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
export { simulateRun, type PlacedPutt } from './run';
export { chance, type Chance } from './random';
export { STAND_INS, standInLine, standInStroke, type StandIn } from './stand-in';
