export {
  ballGate,
  DEFAULT_SHANK,
  gapForTolerance,
  gateTolerance,
  LEAST_AIR,
  type BallGate,
} from './ball-gate';
export { ballMark } from './ball-mark';
export { ballGateLayout, ballGateOf } from './ball-gate-layout';
export type {
  Check,
  Element,
  Evidence,
  Field,
  Finding,
  KitItem,
  Mark,
  Outcome,
  Place,
  Side,
  Spot,
  Tolerance,
} from './element';
export {
  checkLayout,
  drawLayout,
  judge,
  layoutCautions,
  layoutKit,
  layoutSchema,
  outcomesProblem,
  outcomesSchema,
  standing,
  type Layout,
  type Outcomes,
  type Standing,
} from './layout';
export { ELEMENTS } from './register';
export { strictness, strictnessWords, type Strictness } from './strictness';
