export { DEGREE, FOOT, INCH } from './constants';
export { showDegrees, toDegrees, toRadians } from './angles';
export { gradeSchema, showGrade } from './grade';
export { formatLength } from './format-length';
export { lengthSchema, type LengthLimits } from './length-schema';
export {
  LENGTH_HINT,
  METRES,
  parseLength,
  type LengthUnit,
  type ParsedLength,
} from './parse-length';
export {
  DEFAULT_UNITS,
  acrossStep,
  bareUnit,
  settable,
  showLength,
  unitPreferences,
  type LengthKind,
  type UnitPreferences,
} from './preferences';
