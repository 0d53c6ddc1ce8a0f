import 'server-only';
import { stringify } from 'csv-stringify/sync';
import { strToU8, zipSync } from 'fflate';
import { renderToStaticMarkup } from 'react-dom/server';
import { intoEnglish } from '@/words/translator';
import {
  allOfStudent,
  getCoach,
  getStudent,
  type CoachPrincipal,
  type Database,
  type Run,
  type Session,
} from '@/data';
import { readStudent } from './read-student';
import { ReportFile } from './report-file';

/** The share that the next gate should let through. */
const TEACHES = 0.7;

const READ_ME = [
  'This file contains everything that is stored about you.',
  '',
  'report.html      what your putts show, for any browser',
  'sessions.csv     one row per session',
  'putts.csv        one row per putt: what was logged, where the ball was marked, where it was putted from',
  'everything.json  everything as it is stored, with every change, when it was made and by whom',
  '',
  'Times are in UTC. Distances are in metres.',
  '',
].join('\n');

const STYLE = `body{font:16px/1.5 system-ui,sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;color:#111}
table{border-collapse:collapse}th,td{text-align:left;padding:.3rem 1rem .3rem 0;border-bottom:1px solid #ccc}`;

/** A page of its own, for any browser. */
const pageOf = (body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>How you putt</title><style>${STYLE}</style></head><body>${body}</body></html>`;

const sheet = (rows: Record<string, unknown>[]): Uint8Array =>
  strToU8(
    stringify(rows, {
      header: true,
      bom: true,
      // A name that begins with "=" is a name, whatever opens the file.
      escape_formulas: true,
      cast: { date: (date) => date.toISOString(), boolean: (value) => (value ? 'yes' : 'no') },
    }),
  );

const puttRows = ({ id, startedAt, runs }: Session) =>
  runs.flatMap(({ drillName, rung, putts }: Run) =>
    putts.map((putt, index) => ({
      session: id,
      'session began': startedAt,
      drill: drillName,
      rung: rung === null ? '' : rung + 1,
      putt: index + 1,
      at: putt.at,
      logged: Object.entries(putt.outcomes)
        .map(([element, outcome]) => `${element}: ${outcome}`)
        .join('; '),
      'pointed at': Object.entries(putt.points)
        .map(([element, { along, across }]) => `${element}: ${along} along, ${across} across`)
        .join('; '),
      station: putt.place.station + 1,
      struck: putt.manner,
      note: putt.note,
      'left out': putt.leftOut,
      'taken back': putt.undoneAt !== null,
    })),
  );

/**
 * Everything that is kept of a student, in one zip file: as JSON, as tables, and their report.
 *
 * @throws Problem for who may not give a student away
 */
export async function ownFile(
  database: Database,
  principal: CoachPrincipal,
  { studentId }: { studentId: string },
): Promise<Uint8Array> {
  const at = new Date();
  const all = await allOfStudent(database, principal, studentId);
  const [student, coach, { sessions, known }] = await Promise.all([
    getStudent(database, principal, studentId),
    getCoach(database, principal),
    readStudent(database, principal, { studentId, rate: TEACHES }),
  ]);
  const report = renderToStaticMarkup(
    <ReportFile
      student={student}
      coach={coach.name}
      known={known}
      units={coach.settings.units}
      at={at}
      t={intoEnglish()}
    />,
  );
  const inOrder = sessions.toReversed();
  return zipSync({
    'read me.txt': strToU8(READ_ME),
    'report.html': strToU8(pageOf(report)),
    'sessions.csv': sheet(
      inOrder.map(({ id, startedAt, finishedAt, note, runs }) => ({
        session: id,
        began: startedAt,
        finished: finishedAt ?? '',
        drills: runs.map(({ drillName }) => drillName).join('; '),
        putts: runs.reduce((sum, { putts }) => sum + putts.length, 0),
        note,
      })),
    ),
    'putts.csv': sheet(inOrder.flatMap(puttRows)),
    'everything.json': strToU8(JSON.stringify({ madeAt: at, ...all.tables }, null, 2)),
  });
}
