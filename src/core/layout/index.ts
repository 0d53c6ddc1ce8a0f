export {
  ballGate,
  DEFAULT_SHANK,
  gapForTolerance,
  gateTolerance,
  LEAST_AIR,
  type BallGate,
  type BallGateInput,
} from './ball-gate';
export { asBuilt, asPlanned, isBuilt } from './as-built';
export {
  ballGateLayout,
  ballGateOf,
  firstLayout,
  gateNowOf,
  holeLayout,
  type GateNow,
} from './ball-gate-layout';
export { greenOff, startOfReading } from './reading-of-break';
export { READ_PICTURE, readAside, readShown, trueReadAtPace, trueReadOf } from './read-first';
export { boxRegion, type BoxGate } from './box-gate';
export type {
  Check,
  Direct,
  Element,
  End,
  Evidence,
  Field,
  Finding,
  Gate,
  Grip,
  Interval,
  KitItem,
  Launch,
  Mark,
  Measure,
  Outcome,
  Place,
  RearEdge,
  Side,
  Spot,
  StrokePoint,
  Tolerance,
  Traits,
} from './element';
export { findingWords } from './finding-words';
export {
  ladderElement,
  ladderOnTape,
  ladderSchema,
  ladderWays,
  makeLadder,
  measuredAs,
  MOST_RUNGS,
  nearestRung,
  onRung,
  rungStrictness,
  type Ladder,
  type LadderBy,
  type Rung,
  type RungStrictness,
} from './ladder';
export {
  checkLayout,
  COUNTS,
  counting,
  elementOf,
  fitted,
  isMeasured,
  layoutCautions,
  layoutChecklist,
  layoutKit,
  layoutSchema,
  hiddenByGap,
  measuredOff,
  onCarpet,
  onReading,
  outcomesSchema,
  pointsSchema,
  readSchema,
  standing,
  traitsOf,
  type Counts,
  type Layout,
  type LayoutFinding,
  type Outcomes,
  type Piece,
  type Points,
  type Read,
  type Standing,
} from './layout';
export { breaks, drawLayout, midpointOf, otherRoll } from './draw-layout';
export { filledOutcomes, fillerOf } from './fill';
export { allAsIntended, judge, outcomesProblem, pointsProblem } from './judge';
export { loggedElements, type LoggedElements } from './logged';
export { airAtTurn } from './head-gap';
export { edgeLoss, type PutterGate } from './putter-gate';
export {
  layoutAt,
  ownPlace,
  placeAfter,
  placeSchema,
  spotKey,
  stationCount,
  stationInTurn,
  stationNamed,
  stationPlace,
  type PuttPlace,
} from './place';
export { ELEMENTS, type ElementKind } from './register';
export { settingOf } from './setting';
export type { PuttSpot, Stations } from './stations';
export {
  sensitivityOf,
  strictnessOf,
  strictnessWords,
  type Sensitivity,
  type Strictness,
} from './strictness';
export { tapeList, type TapeRow } from './tape-list';
export { tapeFindings } from './tape-findings';
export { tallyMarks } from './tallies';
