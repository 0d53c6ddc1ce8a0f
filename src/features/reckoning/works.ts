import 'server-only';
import type { Mapping } from '@/core/table';
import {
  contentsOf,
  lookInBook,
  newBackupKey,
  withPlainBackup,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { readAccuracy } from '../accuracy/read-accuracy';
import { bookIn } from '../import/archive';
import type { TableFile } from '../import/table-file';
import { checkFile } from '../import/take';
import { keptFor } from '../offline/make-kept';
import { blockAsSet, hourFor, planTimed } from '../programme/hour';
import { needsNow, standingNow } from '../programme/needs-now';
import { reachNow } from '../programme/reach-now';
import { studentLines } from '../students/brief';
import { comparisonsOf } from '../students/comparisons';
import { ownFile } from '../students/own-file';
import { readHomework } from '../students/homework-effects';
import { readReview } from '../session/read-review';
import { readSetup, readTrials } from '../setup/read-setup';
import { readStudent } from '../students/read-student';
import { studentHistory, told } from './history';

/** What one work is asked with, and as whom; what it answers must be such that it can be handed from process to process. */
type Work<Asked, Answer> = (
  database: Database,
  principal: CoachPrincipal,
  asked: Asked,
) => Promise<Answer>;

/** All that takes long enough to be reckoned apart from the process that answers. They read, and write nothing. */
export const WORKS = {
  /** All that a student's page and report tell. */
  student: readStudent,
  /** One session's scores, and how each skill has changed since the session before that told of it. */
  review: readReview,
  /** A student's scores without the sessions, for files. */
  scores: async (database, principal, { studentId }: { studentId: string }) =>
    told((await studentHistory(database, principal, studentId)).scores),
  /** The lines of students in their list. */
  lines: studentLines,
  compared: comparisonsOf,
  /** A student's own file of everything. */
  everything: ownFile,
  homework: readHomework,
  setup: readSetup,
  trials: readTrials,
  /** What a device keeps to work with no server. */
  kept: keptFor,
  needs: needsNow,
  standing: standingNow,
  reach: reachNow,
  hour: hourFor,
  block: blockAsSet,
  plan: planTimed,
  /** How the program's own forecasts have turned out. */
  accuracy: readAccuracy,
  /** What a file would bring in, once all of its rows were checked. */
  importCheck: (
    database,
    principal,
    { file, mapping, name }: { file: TableFile; mapping: Mapping; name: string },
  ) => checkFile(database, principal, file, mapping, name),
  /** The same of a full export. */
  exportCheck: (database, _principal, { path }: { path: string }) =>
    lookInBook(database, bookIn(path)),
  /** A new key pair for backups. */
  backupKey: (_database, _principal, { passphrase }: { passphrase: string }) =>
    newBackupKey(passphrase),
  /** What a backup holds, and what the database holds. */
  backupContents: async (
    { path },
    _principal,
    { file, passphrase }: { file: string; passphrase: string },
  ) => ({
    here: await contentsOf(path),
    there: await withPlainBackup(path, file, passphrase, contentsOf),
  }),
} satisfies Record<string, Work<never, unknown>>;

export type WorkName = keyof typeof WORKS;
export type Asked<Name extends WorkName> = Parameters<(typeof WORKS)[Name]>[2];
export type Answered<Name extends WorkName> = Awaited<ReturnType<(typeof WORKS)[Name]>>;
