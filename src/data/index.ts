export { sessionBatches, type SessionFilter, type UnreadableSession } from './batches';
export { bookLines, lookInBook, takeBook, type InBook } from './book-file';
export {
  addNamed,
  dropNamed,
  endImports,
  importedId,
  keepMapping,
  keptMapping,
  knownPutts,
  listImports,
  outcomeNamed,
  takeImport,
  undoImport,
  type ImportPutt,
  type ImportTold,
} from './imports';
export { keepBegun, type Begun, type BegunKept } from './begun';
export { beforeSwap, closeConnection, connection, databaseFile, restoreOpen } from './connection';
export {
  contentsOf,
  backupWhenDue,
  makeBackup,
  newestGoodBackup,
  withPlainBackup,
  type Contents,
} from './backups';
export { listBackups, newestBackup, setBackupFolder, type Backup } from './backup-files';
export { encryptBackups, newBackupKey } from './backup-key';
export { rehearseWhenDue } from './rehearsal';
export { listMentions, type Mention } from './mentions';
export { checkHealth, type Health } from './health';
export { backupFault, backupFolder, backupState, type BackupState } from './backup-state';
export { restore, type Restored } from './restore';
export {
  allOfStudent,
  eraseStudent,
  listErasures,
  type AllOfStudent,
  type Erasure,
} from './rights';
export {
  addCoach,
  changeCoach,
  coachPrincipal,
  getCoach,
  headCoach,
  listCoaches,
  saveCoach,
  type Coach,
} from './coaches';
export {
  copyDatabase,
  describeDatabaseError,
  isDamage,
  openDatabase,
  openReader,
  type Database,
} from './database';
export {
  addDrill,
  archiveDrill,
  shareDrill,
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
  shareGreen,
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
  listHomework,
  startHomework,
  type Homework,
} from './homework';
export {
  FORGOTTEN,
  endDevice,
  knownDevice,
  listDevices,
  makeTicket,
  signIn,
  signInByTicket,
  ticketFor,
  whoAsks,
  type Device,
  type DeviceWay,
  type SignedIn,
} from './devices';
export {
  addInstrument,
  endInstrument,
  forgetRefused,
  leftLines,
  listInstruments,
  senderBy,
  standBeside,
  type Instrument,
  type LeftLine,
  type Sender,
} from './instruments';
export { takeLines, takeWaiting, type LineTold } from './lines';
export { lastBookChange, listChanges, undoChange, type ChangeTold } from './events';
export { endLink, knownLink, linkState, makeLink, openLink, type Link, type Opened } from './links';
export {
  addPasskey,
  dropPasskey,
  findPasskey,
  listPasskeys,
  passkeyUsed,
  type KeptKey,
  type Passkey,
} from './passkeys';
export { coachByPassphrase, hasPassphrase, setPassphrase } from './passphrase';
export {
  ROLES,
  ownView,
  ownerOf,
  type CoachPrincipal,
  type Principal,
  type Role,
  type StudentPrincipal,
} from './principal';
export { endShare, handOver, listShares, shareStudent, sharesByCoach, type Share } from './sharing';
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
  addAppointments,
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
export { finishRun, recordEvents, type RunRecord } from './recording';
export { CORRECTABLE, type PuttCorrection, type RunEvent } from './record-one';
export {
  counted,
  finishSession,
  getGroup,
  getSession,
  lastColdTests,
  lastSessions,
  listSessions,
  sessionsStand,
  noteSession,
  reopenSession,
  toLogged,
  toLoggedRuns,
  type MarkOfRun,
  type Putt,
  type Run,
  type Session,
} from './sessions';
export { lastCard } from './cards';
export { addPutter, dropPutter, listPutters, savePutter, takePutter, type Putter } from './putters';
export { bookZone } from './clock';
export { homeCarpet, keepCarpet, type HomeCarpet } from './carpets';
export { answerWord, leaveWord, listWords, unanswered, type HomeworkWord } from './words';
export {
  addStudent,
  addStudents,
  archiveStudent,
  getStudent,
  listStudents,
  saveStudent,
  type Meanwhile,
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
