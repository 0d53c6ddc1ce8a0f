export { connection } from './connection';
export { ensureCoach, getCoach, saveCoach, type Coach } from './coaches';
export { copyDatabase, describeDatabaseError, openDatabase, type Database } from './database';
export {
  addDrill,
  archiveDrill,
  getDrill,
  listDrills,
  listVersions,
  saveDrill,
  type Drill,
  type DrillKept,
} from './drills';
export {
  addGreen,
  addReading,
  archiveGreen,
  getGreen,
  latestRead,
  listGreens,
  readOf,
  removeReading,
  saveGreen,
  type Green,
  type GreenSpot,
  type GreenValues,
  type Reading,
} from './greens';
export { Problem, notFound, type ProblemCode } from './problem';
export {
  counted,
  finishSession,
  getSession,
  listSessions,
  recordPutts,
  reopenSession,
  runFinished,
  toLogged,
  type Putt,
  type PuttEvent,
  type Run,
  type Session,
} from './sessions';
export {
  addStudent,
  archiveStudent,
  getStudent,
  listStudents,
  saveStudent,
  type Student,
} from './students';
export { keepBuilt, moveRung, startSession } from './starting';
export { seedDemo } from './demo/seed';
