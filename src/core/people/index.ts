export {
  FACE_SHARES,
  coachSettings,
  correctionSchema,
  type CoachSettings,
  type Correction,
} from './coach';
export {
  HANDS,
  HEAD_DEPTH,
  HEAD_LENGTH,
  LIE_ANGLE,
  PATHS,
  STANDARD_FITTING,
  fittingSchema,
  headEnd,
  sideOfEnd,
  type Fitting,
  type Hand,
  type PathSchool,
} from './fitting';
export { COMMON_KIT, KIT, KIT_IDS, kitSchema, kitWords, type KitId } from './kit';
export { nameSchema } from './name';
export {
  HEAD_INERTIA,
  HEAD_MASS,
  PUTTER_LENGTH,
  PUTTER_LOFT,
  SHAPES,
  putterValues,
  type PutterShape,
  type PutterValues,
} from './putter';
export {
  LEVELS,
  fittingOf,
  groupsOf,
  studentValues,
  type Level,
  type StudentValues,
} from './student';
export { DEFAULT_ZONE, zoneSchema } from './zone';
