export { coachSettings, type CoachSettings } from './coach';
export {
  HANDS,
  HEAD_DEPTH,
  HEAD_LENGTH,
  LEVELS,
  studentValues,
  type Hand,
  type Level,
  type StudentValues,
} from './student';
