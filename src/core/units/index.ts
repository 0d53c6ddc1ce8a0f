export { DEGREE, FOOT, INCH } from './constants';
export { showDegrees, toDegrees, toRadians } from './angles';
export { gradeSchema, showGrade } from './grade';
export { formatLength } from './format-length';
export { lengthSchema, type LengthLimits } from './length-schema';
export {
  LENGTH_HINT,
  DEFAULT_OWN,
  METRES,
  parseLength,
  type LengthUnit,
  type OwnMeasures,
  type OwnUnit,
  type TapeUnit,
  type ParsedLength,
} from './parse-length';
export {
  DEFAULT_UNITS,
  OWN_RANGE,
  acrossStep,
  bareUnit,
  roughLength,
  settable,
  showLength,
  unitPreferences,
  type LengthKind,
  type UnitPreferences,
} from './preferences';
