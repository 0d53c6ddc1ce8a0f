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
export {
  endHomework,
  giveHomework,
  homeSession,
  homeSessionOfRun,
  listHomework,
  startHomework,
  type Homework,
} from './homework';
export { knownLink, linkFor, openLink, type Opened } from './links';
export {
  addPlan,
  archivePlan,
  getPlan,
  goToNextBlock,
  listPlans,
  savePlan,
  startPlan,
  type Plan,
} from './plans';
export {
  addAppointment,
  addProgramme,
  dropAppointment,
  endProgramme,
  getAppointment,
  getProgramme,
  listAppointments,
  listProgrammes,
  refreshProgramme,
  saveAppointment,
  saveProgramme,
  type Appointment,
  type Programme,
} from './programmes';
export { Problem, notFound, type ProblemCode } from './problem';
export {
  CORRECTABLE,
  recordEvents,
  type PuttCorrection,
  type RunEvent,
  type RunRecord,
} from './recording';
export {
  counted,
  finishSession,
  getGroup,
  getSession,
  lastColdTests,
  lastSessions,
  listSessions,
  noteSession,
  reopenSession,
  toLogged,
  toLoggedRuns,
  type MarkOfRun,
  type Putt,
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
export {
  keepBuilt,
  moveRung,
  rotateStations,
  startGroup,
  startSession,
  swapDrill,
  type Starting,
} from './starting';
export { seedDemo } from './demo/seed';
