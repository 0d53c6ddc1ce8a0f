import 'server-only';
import { createHash } from 'node:crypto';
import { nameSchema, type Hand } from '@/core/people';
import { readRow, type Mapping, type ReadRow } from '@/core/table';
import {
  addNamed,
  dropNamed,
  getCoach,
  getDrill,
  importedId,
  knownPutts,
  listStudents,
  outcomeNamed,
  takeImport,
  type CoachPrincipal,
  type Database,
  type ImportPutt,
} from '@/data';
import { FIRST_YEAR, momentOf } from './moment';
import { rowsOf, type TableFile } from './table-file';

/** A row that cannot be taken in. */
export interface RefusedRow {
  /** Of the file, from 1, headings counted. */
  row: number;
  reason: string;
}

/** What would come in of a file. */
export interface Checked {
  rows: number;
  fresh: number;
  doubled: number;
  refused: number;
  /** Of the refused, the first ones. */
  reasons: RefusedRow[];
  /** Names that are not here yet, and would be added. */
  added: string[];
  students: number;
  days: number;
}

/** Refused rows that are shown. */
const SHOWN = 40;
/** Noon: when a putt was made of which the day alone is known, s; the next is a second later. */
const NOON = 12 * 3600;

const normal = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');

/** What rows are resolved with: students by their names, null for a name that several have; and the coach's time zone. */
async function resolvedWith(database: Database, principal: CoachPrincipal) {
  const { zone } = (await getCoach(database, principal)).settings;
  const all = await listStudents(database, principal);
  const known = new Map<string, string | null>();
  for (const { id, name } of all) known.set(normal(name), known.has(normal(name)) ? null : id);
  return { known, hands: new Map(all.map(({ id, hand }) => [id, hand])), zone };
}

/** Puts rows to students and times, in the order of the file. */
function resolver(
  mapping: Mapping,
  { known, hands, zone }: Awaited<ReturnType<typeof resolvedWith>>,
) {
  const onDay = new Map<string, number>();
  const added = new Set<string>();
  return {
    added,
    /** Whose hand the words of a side are of: right, until it is known. */
    handOf: (student: string | null): Hand => {
      const id = student === null ? mapping.studentId : known.get(normal(student));
      return (id && hands.get(id)) || 'right';
    },
    resolve(row: ReadRow, cells: readonly string[]): ImportPutt | { reason: string } {
      const { student } = row;
      let studentId: string;
      if (student === null) {
        if (!mapping.studentId || !hands.has(mapping.studentId)) {
          return { reason: 'The row does not say whose putt it is.' };
        }
        studentId = mapping.studentId;
      } else {
        const found = known.get(normal(student));
        if (found === null) return { reason: `Several students are called “${student}”.` };
        if (found === undefined) {
          if (!mapping.addStudents)
            return { reason: `“${student.slice(0, 60)}” is not a student here.` };
          const name = nameSchema().safeParse(student);
          if (!name.success) return { reason: name.error.issues[0]!.message };
          added.add(student);
        }
        studentId = found ?? `new ${normal(student)}`;
      }
      const { when } = row;
      if (when && when.year < FIRST_YEAR) {
        return { reason: `The year ${when.year} is too early: use ${FIRST_YEAR} or later.` };
      }
      const key = `${studentId} ${when ? `${when.year} ${when.month} ${when.day}` : mapping.day}`;
      const index = onDay.get(key) ?? 0;
      const found = momentOf(when, { day: mapping.day, seconds: NOON + index }, zone);
      if (!found) return { reason: 'The row does not say which day it was.' };
      onDay.set(key, index + 1);
      const { day, at, written } = found;
      if (at.getTime() > Date.now() + 86_400_000) return { reason: `${day} is in the future.` };
      const said = row.id
        ? `id ${row.id} ${written}`
        : `${written} ${when?.seconds === null || !when ? index : ''} ${createHash('sha1').update(JSON.stringify(cells)).digest('base64')}`;
      return {
        // By the name, where the file says it: the same file is the same whether its students were here yet or not.
        id: importedId(student === null ? studentId : normal(student), said),
        studentId,
        day,
        at,
        result: row.result,
        note: row.note,
        values: row.values,
      };
    },
  };
}

type Told = { row: number; putt: ImportPutt } | RefusedRow;

/** Every row of a file as a putt, or why it is none. */
async function* putts(
  file: TableFile,
  mapping: Mapping,
  by: string,
  { resolve, handOf }: ReturnType<typeof resolver>,
): AsyncGenerator<Told[]> {
  let row = 0;
  for await (const batch of rowsOf(file)) {
    const told: Told[] = [];
    for (const cells of batch) {
      row += 1;
      if (row <= mapping.skip) continue;
      const read = readRow(cells, mapping, by, handOf);
      const found = read.ok ? resolve(read.row, cells) : { reason: read.reason };
      told.push('reason' in found ? { row, reason: found.reason } : { row, putt: found });
    }
    yield told;
    // Whoever logs meanwhile is not to wait.
    await new Promise((resume) => setImmediate(resume));
  }
}

/** Looks through a whole file: what would come in, and what would not. */
export async function checkFile(
  database: Database,
  principal: CoachPrincipal,
  file: TableFile,
  mapping: Mapping,
  by: string,
): Promise<Checked> {
  const resolving = resolver(mapping, await resolvedWith(database, principal));
  const { added } = resolving;
  const drill = mapping.drillId ? await getDrill(database, principal, mapping.drillId) : null;
  const checked: Checked = {
    ...{ rows: 0, fresh: 0, doubled: 0, refused: 0, students: 0, days: 0 },
    reasons: [],
    added: [],
  };
  const seen = new Set<string>();
  const [students, days] = [new Set<string>(), new Set<string>()];
  const refuse = (one: RefusedRow) => {
    checked.refused += 1;
    if (checked.reasons.length < SHOWN) checked.reasons.push(one);
  };
  for await (const batch of putts(file, mapping, by, resolving)) {
    checked.rows += batch.length;
    const own = batch.flatMap((one) => ('putt' in one ? [one] : []));
    const there = await knownPutts(
      database,
      own.map(({ putt }) => putt.id),
    );
    for (const one of batch) {
      if ('reason' in one) {
        refuse(one);
        continue;
      }
      const { id, studentId, day, result, values } = one.putt;
      if (
        result !== null &&
        drill &&
        !outcomeNamed(drill.layout, result) &&
        Object.keys(values).length === 0
      ) {
        refuse({
          row: one.row,
          reason: `“${result.slice(0, 40)}” is not a possible result on ${drill.name}.`,
        });
        continue;
      }
      if (there.has(id) || seen.has(id)) {
        checked.doubled += 1;
        continue;
      }
      seen.add(id);
      students.add(studentId);
      days.add(`${studentId} ${day}`);
      checked.fresh += 1;
    }
  }
  return { ...checked, added: [...added], students: students.size, days: days.size };
}

/**
 * Takes a whole file in, what is new of it; rows that cannot be are passed over, as it was told before.
 *
 * @param told is called with how many there are so far; what it throws stops it, and nothing is left
 */
export async function takeFile(
  database: Database,
  principal: CoachPrincipal,
  file: TableFile,
  mapping: Mapping,
  by: string,
  told: (putts: number) => void,
): Promise<{ id: string; putts: number; sessions: number }> {
  const resolving = resolver(mapping, await resolvedWith(database, principal));
  const seen = new Set<string>();
  async function* fresh(): AsyncGenerator<ImportPutt[]> {
    for await (const batch of putts(file, mapping, by, resolving)) {
      const own = batch.flatMap((one) => ('putt' in one ? [one.putt] : []));
      const there = await knownPutts(
        database,
        own.map(({ id }) => id),
      );
      const given: ImportPutt[] = [];
      for (const putt of own) {
        if (there.has(putt.id) || seen.has(putt.id)) continue;
        seen.add(putt.id);
        given.push({ ...putt, studentId: await idOf(putt.studentId) });
      }
      if (given.length > 0) yield given;
    }
  }
  /** Students that are added as their first putt comes. */
  const made = new Map<string, string>();
  async function idOf(studentId: string): Promise<string> {
    if (!studentId.startsWith('new ')) return studentId;
    const there = made.get(studentId);
    if (there) return there;
    const name = [...resolving.added].find((one) => `new ${normal(one)}` === studentId)!;
    const id = await addNamed(database, principal, name);
    made.set(studentId, id);
    return id;
  }
  const { drillId } = mapping;
  const about = { name: by, drillId, at: new Date() };
  try {
    return await takeImport(database, principal, about, fresh(), told);
  } catch (error) {
    await dropNamed(database, [...made.values()]);
    throw error;
  }
}
