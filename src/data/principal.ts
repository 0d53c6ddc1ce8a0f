import { Op, literal, type Sequelize, type WhereOptions } from 'sequelize';

/** What a coach of the academy may do. */
export const ROLES = ['head', 'coach', 'assistant'] as const;
export type Role = (typeof ROLES)[number];

/** A coach who asks, by a device of theirs. */
export interface CoachPrincipal {
  as: Role;
  coachId: string;
  /** Null on the machine itself, and in the open demo. */
  deviceId: string | null;
}

/** A student who asks, by the link to their own page. */
export interface StudentPrincipal {
  as: 'student';
  /** The coach whose student it is: their words, units and days hold. */
  coachId: string;
  studentId: string;
}

/** Who is asking. Every repository call takes one, and reaches what is theirs. */
export type Principal = CoachPrincipal | StudentPrincipal;

/** The id of the person who asks: of the coach, or of the student. */
export const ownerOf = (principal: Principal): string =>
  principal.as === 'student' ? principal.studentId : principal.coachId;

/** What a principal reaches by whose it is. */
type Scoped =
  'student' | 'drill' | 'green' | 'plan' | 'session' | 'programme' | 'appointment' | 'homework';

/** To see, to change, or to give away. */
type Purpose = 'see' | 'change' | 'own';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** An id as it may stand in a query. */
function quoted(id: string): string {
  if (!UUID.test(id)) throw new RangeError(`"${id}" is not a valid ID.`);
  return `'${id}'`;
}

const NOTHING: WhereOptions = { id: null };

/** The students of a coach, and those shared with them. */
const studentsOf = (coachId: string): string =>
  `(SELECT id FROM student WHERE coachId = ${quoted(coachId)}
    UNION SELECT studentId FROM share WHERE coachId = ${quoted(coachId)} AND endedAt IS NULL)`;

/** The drills that some students were given to do at home, whoever gave them. */
const givenTo = (students: string): string =>
  `(SELECT drillId FROM homework WHERE studentId IN ${students})`;

const within = (column: string, query: string): WhereOptions => ({
  [column]: { [Op.in]: literal(query) },
});

function ofStudent(principal: StudentPrincipal, table: Scoped, purpose: Purpose): WhereOptions {
  const { studentId } = principal;
  const changing = purpose !== 'see';
  switch (table) {
    case 'student':
      return changing ? NOTHING : { id: studentId };
    case 'session':
      // What is putted with the coach is the coach's to change.
      return { studentId, ...(changing && { homeworkId: { [Op.ne]: null } }) };
    case 'appointment':
    case 'homework':
      return changing ? NOTHING : { studentId };
    case 'drill':
      return changing ? NOTHING : within('id', givenTo(`(${quoted(studentId)})`));
    case 'green':
    case 'plan':
    case 'programme':
      return NOTHING;
  }
}

/**
 * The rows of a table that a principal reaches, as a part of a query.
 *
 * A head coach reaches all of the academy; a coach their own students and those shared with them, their own drills and
 * greens and, to see, those shared in the academy or given to a student of theirs; an assistant sees the students shared with them and what is putted on, and
 * changes sessions only; a student their own page.
 *
 * @param where what else is asked of a row
 * @param purpose to see, to change, or to give away and put away
 */
export const scoped = (
  principal: Principal,
  table: Scoped,
  where: Record<string, unknown> = {},
  purpose: Purpose = 'see',
): WhereOptions =>
  // What is no id is nobody's: it does not come near a query.
  typeof where.id === 'string' && !UUID.test(where.id)
    ? NOTHING
    : { ...where, [Op.and]: reach(principal, table, purpose) };

/** Conditions that were written out, by what they are of: one is asked for with every putt. */
const written = new Map<string, string>();
const MOST_WRITTEN = 500;

/** The same, as the condition of a statement that is written by hand; "1" where all of it is reached. */
export function scopedSql(
  database: { sequelize: Sequelize },
  principal: Principal,
  table: Scoped,
  purpose: Purpose,
): string {
  const who = principal.as === 'student' ? principal.studentId : principal.coachId;
  const of = [principal.as, who, table, purpose].join();
  const condition = written.get(of) ?? writeCondition(database, principal, table, purpose);
  if (written.size < MOST_WRITTEN) written.set(of, condition);
  return condition;
}

function writeCondition(
  { sequelize }: { sequelize: Sequelize },
  principal: Principal,
  table: Scoped,
  purpose: Purpose,
): string {
  const { queryGenerator } = sequelize.getQueryInterface() as unknown as {
    queryGenerator: { getWhereConditions(where: WhereOptions, table: string): string };
  };
  const where = reach(principal, table, purpose);
  if (Reflect.ownKeys(where).length === 0) return '1';
  return queryGenerator.getWhereConditions(where, table);
}

function reach(principal: Principal, table: Scoped, purpose: Purpose): WhereOptions {
  if (principal.as === 'student') return ofStudent(principal, table, purpose);
  const { as, coachId } = principal;
  if (as === 'head') return {};
  if (as === 'assistant' && purpose !== 'see' && table !== 'session') return NOTHING;
  switch (table) {
    case 'drill':
    case 'green':
      if (purpose !== 'see') return { coachId };
      if (as === 'assistant') return {};
      return {
        [Op.or]: [
          { coachId },
          { sharedAt: { [Op.ne]: null } },
          ...(table === 'drill' ? [within('id', givenTo(studentsOf(coachId)))] : []),
        ],
      };
    case 'plan':
      return as === 'assistant' ? {} : { coachId };
    case 'student':
      return purpose === 'own' ? { coachId } : within('id', studentsOf(coachId));
    case 'session':
    case 'programme':
    case 'appointment':
    case 'homework':
      return within('studentId', studentsOf(coachId));
  }
}

/** The same principal with their own students only: a head coach's own day, not the academy's. */
export const ownView = (principal: CoachPrincipal): CoachPrincipal =>
  principal.as === 'head' ? { ...principal, as: 'coach' } : principal;

/** Whether a principal sees what coaches note for themselves. */
export const seesNotes = (principal: Principal): boolean =>
  principal.as === 'head' || principal.as === 'coach';
