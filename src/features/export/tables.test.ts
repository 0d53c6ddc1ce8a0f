import Papa from 'papaparse';
import { bareDetails, libraryDrill } from '@/core/drill';
import { ownPlace } from '@/core/layout';
import { quantities } from '@/core/quantity';
import { CARD_FIELD_IDS, cardSchema, emptyCard, type Card } from '@/core/setup';
import { DEFAULT_UNITS, DEGREE, FOOT, INCH } from '@/core/units';
import type { Putter, Session } from '@/data';
import { headingOf, linesOf, objectsOf, packageOf } from './package';
import { cards, putters } from './setup-tables';
import type { Cell, Column } from './table';
import { FORMAT, puttTables, scores, sessions, students } from './tables';

const METRIC = { ...DEFAULT_UNITS, long: 'metric' } as const;
const drill = libraryDrill('straight-gate')!;
const gate = drill.layout.elements.find(({ kind }) => kind === 'ballGate')!;
const built = {
  ...drill.layout,
  elements: drill.layout.elements.map((piece) =>
    piece.id === gate.id ? { ...piece, built: { gap: 0.0612 } } : piece,
  ),
} as typeof drill.layout;
const { rule, cap, ladder, manners, spots } = bareDetails();

const at = new Date('2026-05-03T10:14:05.120Z');
const putt = (more: object) => ({
  ...{ id: 'p1', outcomes: { [gate.id]: 'clear' }, points: {}, guess: null, note: '' },
  ...{ place: ownPlace(built), manner: 'usual', measured: {}, filled: [], leftOut: false },
  ...{ at, undoneAt: null, changes: [] },
  ...more,
});
/** A card on which not everything was looked at. */
const LOOKED: Card = {
  ...emptyCard(),
  ...{ grip: 'claw', pressure: 4, ball: -0.012, leadFoot: 55, aids: '=cushion' },
  putter: { id: 'q1', name: 'The heavy one' },
};
const session = {
  ...{ id: 's1', studentId: 'a1', startedAt: at, finishedAt: null, note: '=SUM(A1)' },
  ...{ groupId: null, planId: null, homeworkId: null },
  runs: [
    {
      ...{
        id: 'r1',
        drillId: 'd1',
        drillName: 'Gate',
        layout: built,
        rung: 1,
        block: 1,
        cold: true,
      },
      ...{ rule, cap, ladder, manners, spots, planBlock: null },
      marks: [
        { id: 'm1', at, mark: { type: 'set up' } },
        { id: 'm2', at, mark: { type: 'card', card: LOOKED } },
      ],
      putts: [
        putt({ measured: { face: { value: 0.4 * DEGREE, error: 0.1 * DEGREE, by: 'Rail' } } }),
        putt({ id: 'p2', outcomes: { [gate.id]: 'left' }, undoneAt: at }),
        putt({ id: 'p3', leftOut: true, filled: [gate.id], note: '+1' }),
      ],
    },
  ],
} as unknown as Session;

/** A row by the names of its columns. */
const named = (columns: Column[], row: Cell[]) =>
  Object.fromEntries(columns.map(({ name }, i) => [name, row[i]]));

describe('the tables', () => {
  it.each([
    ['imperial', DEFAULT_UNITS],
    ['metric', METRIC],
  ] as const)('have as many cells as columns, each of its type (%s)', (_name, units) => {
    const { runs, putts } = puttTables(units);
    for (const { columns, rows, key } of [sessions, cards, runs, putts]) {
      const names = columns.map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
      expect(names).toEqual(expect.arrayContaining(key));
      for (const row of rows(session)) {
        expect(row).toHaveLength(columns.length);
        columns.forEach(({ name, type }, i) => {
          const value = row[i];
          if (value === null || value === undefined) return;
          const is = value instanceof Date ? 'datetime' : typeof value;
          const may = { object: ['string'], integer: ['number'] }[type as string] ?? [type];
          expect([name, may.includes(is)]).toEqual([name, true]);
        });
      }
    }
  });

  it('say the gap as it was planned and as it was measured, and lengths in the coach’s unit beside the metre', () => {
    const { runs } = puttTables(DEFAULT_UNITS);
    const row = named(runs.columns, runs.rows(session)[0]!);
    expect(row).toMatchObject({
      run: 'r1',
      rung: 2,
      cold: true,
      gate_gap_m: (gate.params as { gap: number }).gap,
      gate_gap_built_m: 0.0612,
      gate_distance_built_m: null,
      gate_distance_m: 18 * INCH,
    });
    expect(row.distance_m).toBeCloseTo(8 * FOOT, 12);
    expect(row.distance_ft).toBeCloseTo(8, 12);
    expect(puttTables(METRIC).runs.columns.map(({ name }) => name)).not.toContain('distance_ft');
  });

  it('say of a putt whether it counts, what happened, and what was read, in SI and as it is shown', () => {
    const { putts } = puttTables(DEFAULT_UNITS);
    const rows = putts.rows(session).map((row) => named(putts.columns, row));
    expect(rows.map(({ counts, taken_back, left_out }) => [counts, taken_back, left_out])).toEqual([
      [true, false, false],
      [false, true, false],
      [false, false, true],
    ]);
    expect(rows.map(({ result, passed }) => [result, passed])).toEqual([
      ['clear', true],
      ['left', false],
      ['clear', true],
    ]);
    expect(rows[0]).toMatchObject({ number: 1, station: 1, measured_by: 'Rail', path_rad: null });
    expect(rows[0]!.face_rad).toBeCloseTo(0.4 * DEGREE, 15);
    expect(rows[0]!.face_deg).toBeCloseTo(0.4, 12);
    expect(rows[0]!.face_error_rad).toBeCloseTo(0.1 * DEGREE, 15);
    expect(rows[2]!.filled).toBe(JSON.stringify([gate.id]));
    for (const { id } of quantities()) {
      expect(putts.columns.some(({ name }) => name.startsWith(`${id}_`))).toBe(true);
    }
  });

  it('count only what counts in a session', () => {
    expect(named(sessions.columns, sessions.rows(session)[0]!)).toMatchObject({
      putts: 1,
      finished_at: null,
    });
  });
});

describe('what is known besides the putts', () => {
  it('has a row of every card that was confirmed, with all that a coach looks at', () => {
    const rows = cards.rows(session).map((row) => named(cards.columns, row));
    expect(rows).toHaveLength(1);
    expect(rows[0]).toEqual({
      ...{ card: 'm2', run: 'r1', session: 's1', student: 'a1', at, grip: 'claw', pressure: 4 },
      ...{ stance_m: null, ball_m: -0.012, eyes_m: null, lead_foot_percent: 55, posture: null },
      ...{ moves: null, gaze: null, sole: null, aids: '=cushion' },
      ...{ putter: 'q1', putter_name: 'The heavy one' },
    });
    // Nothing of a card stays behind: five columns say whose and when, and the putter has two.
    expect(cards.columns).toHaveLength(5 + CARD_FIELD_IDS.length + 2);
    expect(Object.keys(cardSchema.shape)).toEqual([...CARD_FIELD_IDS, 'putter']);
    expect(linesOf(cards.rows(session))).toContain("'=cushion");
  });

  it('has a row of every putter, empty where nobody measured', () => {
    const putter: Putter = {
      ...{ id: 'q1', inUse: true, name: 'The heavy one', headLength: 0.1, headDepth: 0.06 },
      ...{ lieAngle: 1.22, length: null, loft: 3 * DEGREE, shape: 'mallet', mass: 0.36 },
      ...{ inertia: null, grip: 'thick' },
    };
    const rows = putters.rows({ studentId: 'a1', putters: [putter, { ...putter, id: 'q2' }] });
    expect(rows.map((row) => row[0])).toEqual(['q1', 'q2']);
    const { id, inUse, headLength, headDepth, lieAngle, length, loft, mass, inertia, ...words } =
      putter;
    expect(named(putters.columns, rows[0]!)).toEqual({
      ...{ putter: id, student: 'a1', in_use: inUse, ...words },
      ...{ head_length_m: headLength, head_depth_m: headDepth, lie_rad: lieAngle },
      ...{ length_m: length, loft_rad: loft, mass_kg: mass, inertia_kg_m2: inertia },
    });
  });
});

describe('the files', () => {
  it('are described by a schema that has every column, its type and its unit', () => {
    const { runs, putts } = puttTables(DEFAULT_UNITS);
    const tables = [students, putters, sessions, cards, runs, putts, scores];
    const described = packageOf(tables, at);
    expect(described).toMatchObject({ version: FORMAT, created: at.toISOString() });
    expect(described.resources.map(({ path }) => path)).toEqual(
      tables.map(({ name }) => `${name}.csv`),
    );
    for (const [index, { columns, key }] of tables.entries()) {
      const { fields, primaryKey } = described.resources[index]!.schema;
      expect(fields.map(({ name }) => name)).toEqual(columns.map(({ name }) => name));
      expect(primaryKey).toEqual(key);
      expect(fields.every(({ description }) => description.length > 2)).toBe(true);
      // A unit at the end of a name is the unit of the column.
      for (const { name, unit } of columns) {
        if (/_(m|rad|deg|ft|mm)$/.test(name))
          expect([name, unit]).toEqual([name, name.split('_').at(-1)]);
      }
    }
  });

  it('are objects under the names of the columns where JSON is asked for, each of its type', () => {
    const { runs } = puttTables(DEFAULT_UNITS);
    const written = objectsOf(runs, runs.rows(session));
    expect(written.endsWith('\n')).toBe(true);
    const [read] = written
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    const row = named(runs.columns, runs.rows(session)[0]!);
    for (const { name, type } of runs.columns) {
      const cell = row[name];
      // What is empty is left out; a layout is an object, not a text of one.
      if (cell === null || cell === '') expect(read).not.toHaveProperty(name);
      else if (type === 'object') expect(read![name]).toEqual(JSON.parse(String(cell)));
      else if (type === 'datetime') expect(read![name]).toBe((cell as Date).toISOString());
      else expect(read![name]).toBe(cell);
    }
    const { resources } = packageOf([runs], at, 'jsonl');
    expect(resources[0]).toMatchObject({ path: 'runs.jsonl', format: 'jsonl' });
    // No formula is made harmless where no spreadsheet reads it.
    expect(objectsOf(sessions, sessions.rows(session))).toContain('"=SUM(A1)"');
  });

  it('are read back as they were written, but for formulas, which are made harmless', () => {
    const text = headingOf(sessions) + linesOf(sessions.rows(session));
    const [heading, row] = Papa.parse<string[]>(text.trim()).data;
    expect(heading).toEqual(sessions.columns.map(({ name }) => name));
    expect(row!.at(-1)).toBe("'=SUM(A1)");
    expect(row![2]).toBe('2026-05-03T10:14:05.120Z');
    expect(row![5]).toBe('false');
  });
});
