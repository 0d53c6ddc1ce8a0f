export { asSentence, withArticle } from './words';
export { showChance, showChanceRange } from './chance';
export { DEGREE, FOOT, INCH } from './constants';
export { showDegrees, toDegrees, toRadians } from './angles';
export { angleSchema } from './angle-schema';
export { gradeSchema, showGrade } from './grade';
export { formatLength } from './format-length';
export { lengthSchema, type LengthLimits } from './length-schema';
export { showSide, sideSchema } from './side-schema';
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
  settableAlong,
  showLength,
  unitPreferences,
  type LengthKind,
  type UnitPreferences,
} from './preferences';
