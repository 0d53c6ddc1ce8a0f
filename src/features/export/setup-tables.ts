import { CARD_FIELD_IDS, cardField, type CardFieldId } from '@/core/setup';
import type { Putter, Session } from '@/data';
import {
  bool,
  column,
  integer,
  metres,
  string,
  when,
  type Cell,
  type Column,
  type Table,
} from './table';

export const putters: Table<{ studentId: string; putters: readonly Putter[] }> = {
  name: 'putters',
  description: 'The students’ putters. A cell is empty if it was not measured.',
  key: ['putter'],
  columns: [
    string('putter', 'Id.'),
    string('student', 'ID of the student.'),
    bool('in_use', 'The putter that layouts are fitted to.'),
    string('name', 'Name.'),
    metres('head_length_m', 'Head length, heel to toe.'),
    metres('head_depth_m', 'Head depth, face to back.'),
    column('lie_rad', 'number', 'Lie angle.', 'rad'),
    metres('length_m', 'Length from sole to end of grip.'),
    column('loft_rad', 'number', 'Loft.', 'rad'),
    string('shape', 'blade, mid mallet, mallet or other.'),
    column('mass_kg', 'number', 'Head mass.', 'kg'),
    column(
      'inertia_kg_m2',
      'number',
      'Moment of inertia of the head about its upright axis.',
      'kg m2',
    ),
    string('grip', 'Grip, in the coach’s words.'),
  ],
  rows: ({ studentId, putters: all }) =>
    all.map(({ id, inUse, name, headLength, headDepth, lieAngle, ...more }) => {
      const { length, loft, shape, mass, inertia, grip } = more;
      return [
        ...[id, studentId, inUse, name, headLength, headDepth, lieAngle],
        ...[length, loft, shape, mass, inertia, grip],
      ];
    }),
};

/** The name of a field in a column: "lead_foot". */
const named = (id: CardFieldId): string =>
  id.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** The column of one thing that a coach looks at. */
function columnOf(id: CardFieldId): Column {
  const field = cardField(id);
  const description = `${field.name}. ${field.about}`;
  switch (field.kind) {
    case 'choice':
      return string(named(id), `${field.name}: ${Object.keys(field.options).join(', ')}.`);
    case 'text':
      return string(named(id), description);
    case 'number':
      return field.of === '%'
        ? column(`${named(id)}_percent`, 'integer', description, '%')
        : integer(named(id), description);
    case 'length': {
      const above = field.sides && ` Positive is ${field.sides[1]}, negative is ${field.sides[0]}.`;
      return metres(`${named(id)}_m`, `${description}${above ?? ''}`);
    }
  }
}

export const cards: Table<Session> = {
  name: 'cards',
  description: 'Set-up cards as confirmed. A cell is empty if it was not checked.',
  key: ['card'],
  columns: [
    string('card', 'Id.'),
    string('run', 'ID of the run.'),
    string('session', 'ID of the session.'),
    string('student', 'ID of the student.'),
    when('at', 'Time of confirmation.'),
    ...CARD_FIELD_IDS.map(columnOf),
    string('putter', 'ID of the putter.'),
    string('putter_name', 'Name of the putter at that time.'),
  ],
  rows: ({ id: sessionId, studentId, runs }) =>
    runs.flatMap(({ id: runId, marks }) =>
      marks.flatMap(({ id, at, mark }): Cell[][] => {
        if (mark.type !== 'card') return [];
        const { card } = mark;
        return [
          [
            ...[id, runId, sessionId, studentId, at],
            ...CARD_FIELD_IDS.map((field) => card[field]),
            ...[card.putter?.id ?? null, card.putter?.name ?? null],
          ],
        ];
      }),
    ),
};
