import { UNITS, quantities } from '@/core/quantity';
import { DEFAULT_UNITS } from '@/core/units';
import { cards, putters } from './setup-tables';
import type { Column } from './table';
import { FORMAT, puttTables, scores, sessions, students } from './tables';

const HEAD = `# Files and lines

Version ${FORMAT} of the columns. This page is written by \`npm run formats\` from what the program writes and reads; a test holds
it to that.

## A line of an instrument

An instrument is added under Devices, which shows its secret once. It sends its putts to \`POST /api/instruments/putts\`, a line of
JSON each, with the header \`Authorization: Bearer <secret>\` and the length of the body. The schema of a line is at
\`/instrument.schema.json\`.

\`\`\`
{"id": "17", "at": "2026-05-03T10:14:05.120Z", "values": {"face": {"value": 0.4, "unit": "deg", "error": 0.1}, "headSpeed": {"value": 1.52, "unit": "m/s"}}}
\`\`\`

- \`id\`: the instrument's own name of the putt. The same one sent again changes nothing.
- \`at\`: when the ball was struck; when the line comes in, where it is left out.
- \`values\`: any of the quantities below, each with its unit and, where it is known, its error as one standard deviation in the
  same unit. Right of the line and long are positive, whatever the player's hand.

Each line is answered by one, in order: \`{"line": 1, "id": "17", "state": "taken"}\`. The states are \`taken\`, \`doubled\` (it was
here already), \`waiting\` (no session was open at its time, or several were: it is kept, and taken in when that is known) and
\`refused\` (with the reason; it is kept too, to be looked at). What one line cannot say does not hold up the others. A line is of
the putt that another instrument, or a touch, told of within a few seconds; else it makes a putt of its own.

## A table that comes in

CSV, TSV, semicolons or bars; a list of JSON or a line of JSON a putt; up to 64 MB (a list of JSON 32 MB) and 200 columns, in
UTF-8, UTF-16 or Western European letters. Columns are known by the names below, with the unit behind them in brackets, in a row
of its own, or in the cells; what is guessed can be set otherwise.

`;

const cell = (text: string): string => text.replaceAll('|', '\\|');
const table = (head: string[], rows: string[][]): string =>
  [head, head.map(() => '---'), ...rows]
    .map((row) => `| ${row.map(cell).join(' | ')} |`)
    .join('\n');

const columnsOf = (columns: Column[]): string =>
  table(
    ['column', 'type', 'unit', 'description'],
    columns.map(({ name, type, unit, description }) => [
      `\`${name}\``,
      type,
      unit ?? '',
      description,
    ]),
  );

/** What docs/formats.md says. */
export function formatsPage(): string {
  const { runs, putts } = puttTables(DEFAULT_UNITS);
  const known = table(
    ['quantity', 'name', 'units', 'description', 'recognised headings'],
    quantities().map(({ id, name, dimension, about, columns }) => [
      `\`${id}\``,
      name,
      [...new Set(UNITS[dimension].map((unit) => unit.id))].join(', '),
      about,
      columns.join(', '),
    ]),
  );
  const out = [students, putters, sessions, cards, runs, putts, scores].map(
    ({ name, description, key, columns }) =>
      `### ${name}.csv\n\n${description} Key: ${key.map((one) => `\`${one}\``).join(', ')}.\n\n${columnsOf(columns)}`,
  );
  return `${HEAD}${known} ## Tables to export An export is a ZIP file with \`datapackage.json\` (a data package with table schemas, Frictionless version 1), which names every column, its type and its unit, and the tables below. The tables are in UTF-8, separated by commas, with times in UTC. For a coach who uses feet, distances are given in feet as well as metres. A text that a spreadsheet would calculate with has an apostrophe before it. In the JSON lines format, each table is a file with one object per row, under the same names (\`putts.jsonl\`). Empty values are left out, and no apostrophes are added. When a head coach exports everything, the file also contains the full export, \`book.jsonl\`: one line for every row of every table except devices, links and secret keys. It can be imported on the import page (or with \`npm run book -- file.zip\`) into an empty Dirigo of the same or a later version. ${out.join('\n\n')}
`;
}
