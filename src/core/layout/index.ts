export {
  ballGate,
  DEFAULT_SHANK,
  gapForTolerance,
  gateTolerance,
  LEAST_AIR,
  type BallGate,
  type BallGateInput,
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
  breaks,
  checkLayout,
  drawLayout,
  judge,
  layoutCautions,
  layoutKit,
  layoutSchema,
  midpointOf,
  onReading,
  outcomesProblem,
  outcomesSchema,
  readSchema,
  standing,
  type Layout,
  type Outcomes,
  type Read,
  type Standing,
} from './layout';
export { ELEMENTS } from './register';
export { settingOf } from './setting';
export { strictness, strictnessWords, type Strictness } from './strictness';
