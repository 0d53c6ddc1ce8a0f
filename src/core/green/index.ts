export {
  BALL_DIAMETER,
  BALL_MASS,
  DROP_SPEED,
  GRADE_RANGE,
  GREEN_SPEED_RANGE,
  HOLE_RADIUS,
  PAST_RANGE,
  PUTT_RANGE,
  RAMP_SPEED,
} from './constants';
export { aimFor, type Aim } from './aim';
export { captureHalfWidth, captureSpeed } from './capture';
export { makeMap, type MakeMap, type MapRange } from './make-map';
export { makeProbability, type Skill } from './make-probability';
export { makeWindow, refuseTooFirm, type MakeWindow } from './make-window';
export { dropMarginOf, dropMarginOn, marginOf, type DropMargin } from './drop-margin';
export { breakWords, edgeWords, parseBreak, type Break } from './break-words';
export { expectedPutts, type ExpectedPutts } from './expected-putts';
export { onOtherGreen, type OtherGreen } from './other-green';
export { FALLS, fallsSchema, fallsWords, parseFalls, typedFalls } from './falls';
export { PACES, paceOf, type Pace, type PaceId } from './paces';
export { besideOf, nearestOnRoute, routeAt, routeOf, routePoints, type Route } from './route';
export { slopeForBreak } from './slope-for-break';
export { MOST_TIERS, isLevel, stretchesOf, tierSchema, type Stretch, type Tier } from './tier';
export { rollPutt, type PuttOutcome } from './outcome';
export { FLAT, planeOf, slopePull, slopeSchema, type Plane, type Slope } from './plane';
export { DEFAULT_PUTT, puttSchema, type Putt } from './putt';
export { rollingDeceleration } from './roll';
export {
  endOf,
  firstReach,
  momentAt,
  nearestTo,
  paceRun,
  paceSpeed,
  restOf,
  trackOf,
  type Moment,
  type Motion,
  type Track,
} from './track';
export {
  contradiction,
  currentOf,
  readRolls,
  readingSchema,
  rollsSchema,
  type Current,
  type ReadingValues,
  type Rolls,
} from './readings';
export { BOOK_LIMITS, bookRollsSchema, carpetSpeed, type BookRolls } from './carpet';
export { readTwoWay, type TwoWayReading } from './two-way';
