import { quantities, showValue } from '@/core/quantity';
import { readRow, type Mapping } from '@/core/table';

const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July'],
  ...['August', 'September', 'October', 'November', 'December'],
];

/** A row as the putt it would be, in words; or why it would be none. */
export function rowWords(
  cells: readonly string[],
  mapping: Mapping,
): { ok: boolean; words: string } {
  const read = readRow(cells, mapping, 'file');
  if (!read.ok) return { ok: false, words: read.reason };
  const { student, when, values, result, note } = read.row;
  const day = when && `${when.day} ${MONTHS[when.month - 1]} ${when.year}`;
  const measured = quantities().flatMap(({ id, name }) =>
    values[id] ? [`${name.toLowerCase()} ${showValue(id, values[id].value, 'right')}`] : [],
  );
  const said = [
    ...measured,
    ...(result ? [`“${result}”`] : []),
    ...(note ? [`note: ${note}`] : []),
  ];
  return { ok: true, words: [student, day, said.join(', ')].filter(Boolean).join(' · ') };
}
