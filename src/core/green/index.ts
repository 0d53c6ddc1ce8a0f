export {
  BALL_DIAMETER,
  DROP_SPEED,
  GREEN_SPEED_RANGE,
  HOLE_RADIUS,
  PAST_RANGE,
  PUTT_RANGE,
  RAMP_SPEED,
} from './constants';
export { captureHalfWidth, captureSpeed } from './capture';
export { isHoled, makeWindow, type MakeWindow } from './make-window';
export { DEFAULT_PUTT, puttSchema, type Putt } from './putt';
export { rollingDeceleration, speedAfter, startSpeedFor } from './roll';
