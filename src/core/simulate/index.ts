export { simulatePutt, simulatePutts, truthOn, type TruePath, type Truth } from './player';
export { chance, type Chance } from './random';
