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
  description: 'The putters of who putts; empty is what nobody has measured.',
  key: ['putter'],
  columns: [
    string('putter', 'Id.'),
    string('student', 'Id of the student.'),
    bool('in_use', 'The one that layouts are fitted to.'),
    string('name', 'Name.'),
    metres('head_length_m', 'Head, heel to toe.'),
    metres('head_depth_m', 'Head, face to back.'),
    column('lie_rad', 'number', 'Lie angle.', 'rad'),
    metres('length_m', 'Length, sole to end of grip.'),
    column('loft_rad', 'number', 'Loft.', 'rad'),
    string('shape', 'blade, mid mallet, mallet or other.'),
    column('mass_kg', 'number', 'Mass of the head.', 'kg'),
    column('inertia_kg_m2', 'number', 'Inertia of the head about its upright axis.', 'kg m2'),
    string('grip', 'Its grip, in the coach’s words.'),
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
      const above =
        field.sides && ` More than nothing is ${field.sides[1]}, less ${field.sides[0]}.`;
      return metres(`${named(id)}_m`, `${description}${above ?? ''}`);
    }
  }
}

export const cards: Table<Session> = {
  name: 'cards',
  description: 'Set-up cards as they were confirmed; empty is what nobody looked at.',
  key: ['card'],
  columns: [
    string('card', 'Id.'),
    string('run', 'Id of the run.'),
    string('session', 'Id of the session.'),
    string('student', 'Id of the student.'),
    when('at', 'When it was confirmed.'),
    ...CARD_FIELD_IDS.map(columnOf),
    string('putter', 'Id of the putter.'),
    string('putter_name', 'Its name as it was then.'),
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
