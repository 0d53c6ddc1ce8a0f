import {
  LEVELS,
  STANDARD_FITTING,
  studentValues,
  type Hand,
  type StudentValues,
} from '@/core/people';
import { TEXT_TARGETS, type Mapping } from './mapping';

/** A row of a list of students: as one would be added, or why none can. */
export type ListedStudent =
  { row: number; values: StudentValues; assumed: string[] } | { row: number; reason: string };

const NAMES = {
  name: TEXT_TARGETS.student.columns as readonly string[],
  hand: ['hand', 'handed', 'handedness', 'plays', 'side'],
  level: ['level', 'standard', 'grade'],
  seated: ['seated', 'chair'],
  notes: TEXT_TARGETS.note.columns as readonly string[],
} as const;

const plain = (text: string): string => text.trim().toLowerCase().replace(/[_-]+/g, ' ');

/** Whether a file lists students: it has their names, and nothing that was putted. */
export const listsStudents = ({ columns }: Pick<Mapping, 'columns'>): boolean =>
  columns.some(({ target }) => target === 'student') &&
  columns.every(({ target }) => ['student', 'ignore', 'note', 'id'].includes(target));

const handOf = (said: string): Hand | null => {
  const word = plain(said);
  if (/^(r|right)/.test(word)) return 'right';
  return /^(l|left)/.test(word) ? 'left' : null;
};

/**
 * The students of a list, row by row.
 *
 * @param rows with the headings first
 * @returns each as they would be added, with what nothing said of them and is taken for granted
 * @example studentsIn([['Name', 'Hand'], ['Ama Lock', 'left']])[0].values.hand // "left"
 */
export function studentsIn(rows: readonly (readonly string[])[]): ListedStudent[] {
  const headings = (rows[0] ?? []).map(plain);
  const at = Object.fromEntries(
    Object.entries(NAMES).map(([field, names]) => [
      field,
      headings.findIndex((heading) => (names as readonly string[]).includes(heading)),
    ]),
  ) as Record<keyof typeof NAMES, number>;
  return rows.slice(1).map((cells, index): ListedStudent => {
    const row = index + 2;
    const cell = (field: keyof typeof NAMES) => (cells[at[field]] ?? '').trim();
    const assumed: string[] = [];
    const hand = handOf(cell('hand'));
    if (cell('hand') && !hand)
      return { row, reason: `“${cell('hand').slice(0, 30)}” is not a hand: use right or left.` };
    if (!hand) assumed.push('right-handed');
    const level = LEVELS.find((one) => one === plain(cell('level')));
    if (cell('level') && !level) {
      return {
        row,
        reason: `“${cell('level').slice(0, 30)}” is not a level: use ${LEVELS.join(', ')}.`,
      };
    }
    if (!level) assumed.push('steady');
    const read = studentValues.safeParse({
      name: cell('name'),
      hand: hand ?? 'right',
      level: level ?? 'steady',
      seated: /^(y|yes|true|1)$/.test(plain(cell('seated'))),
      notes: cell('notes'),
      putter: STANDARD_FITTING,
    });
    return read.success
      ? { row, values: read.data, assumed }
      : { row, reason: read.error.issues[0]!.message };
  });
}
