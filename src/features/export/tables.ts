import { ballGateOf, judge, loggedElements, standing } from '@/core/layout';
import { quantities, quantityOf, shownUnit, siUnit } from '@/core/quantity';
import { FOOT, type UnitPreferences } from '@/core/units';
import type { Run, Session, Student } from '@/data';
import type { ScoreTold } from '../reckoning/history';
import {
  bool,
  column,
  ending,
  integer,
  json,
  metres,
  string,
  when,
  type Cell,
  type Column,
  type Table,
} from './table';

/** The version of the columns: one more whenever one is added, taken away or changed. */
export const FORMAT = '1.1.0';

export const students: Table<Student> = {
  name: 'students',
  description: 'Who putts.',
  key: ['student'],
  columns: [
    string('student', 'Id.'),
    string('name', 'Name.'),
    string('hand', 'right or left.'),
    string('level', 'beginner, steady or advanced, as the coach has it.'),
    bool('seated', 'Putts from a chair.'),
    string('school', 'The preferred stroke: arc or straight.'),
    metres('head_length_m', 'Putter head, heel to toe.'),
    metres('head_depth_m', 'Putter head, face to back.'),
    column('lie_rad', 'number', 'Lie angle of the putter.', 'rad'),
    bool('archived', 'Put away.'),
  ],
  rows: ({ id, name, hand, level, seated, school, putter, archivedAt }) => [
    [
      ...[id, name, hand, level, seated, school],
      ...[putter.headLength, putter.headDepth, putter.lieAngle, archivedAt !== null],
    ],
  ],
};

export const sessions: Table<Session> = {
  name: 'sessions',
  description: 'Lessons and practices, one a row.',
  key: ['session'],
  columns: [
    string('session', 'Id.'),
    string('student', 'Id of the student.'),
    when('started_at', 'When it was begun.'),
    when('finished_at', 'When it was finished; empty while it is open.'),
    string('group', 'Shared by the sessions of a group; empty for one player alone.'),
    bool('at_home', 'Homework, logged by the student.'),
    integer('putts', 'Putts that count.'),
    string('note', 'The coach’s note.'),
  ],
  rows: ({ id, studentId, startedAt, finishedAt, groupId, homeworkId, note, runs }) => [
    [
      ...[id, studentId, startedAt, finishedAt, groupId, homeworkId !== null],
      runs.reduce((sum, { putts }) => sum + putts.filter(counts).length, 0),
      note,
    ],
  ],
};

const counts = ({ undoneAt, leftOut }: Run['putts'][number]): boolean =>
  undoneAt === null && !leftOut;

/** The gate of a run as it was planned and as it was measured. */
function gateOf({ layout }: Run) {
  const planned = ballGateOf(layout);
  const piece = layout.elements.find(({ id }) => id === planned?.id);
  const stands = standing(layout).find(({ id }) => id === planned?.id);
  const built = (stands?.measures() ?? []).filter(
    ({ name }) => piece?.built && name in piece.built,
  );
  const of = (decides: 'opening' | 'along') =>
    built.find((one) => one.decides === decides)?.metres ?? null;
  return { planned, gap: of('opening'), distance: of('along') };
}

/** The columns of runs and putts for a coach, whose long unit is given beside the metre. */
export function puttTables(units: UnitPreferences): {
  runs: Table<Session>;
  putts: Table<Session>;
} {
  const feet = units.long === 'imperial';
  const long = (name: string, description: string): Column[] => [
    metres(`${name}_m`, description),
    ...(feet ? [column(`${name}_ft`, 'number', `${description} The same in feet.`, 'ft')] : []),
  ];
  const inLong = (value: number | null): Cell[] =>
    feet ? [value, value === null ? null : value / FOOT] : [value];
  const measured = quantities().flatMap(({ id, name, about, dimension }): Column[] => {
    const [si, shown] = [siUnit(dimension), shownUnit(dimension)];
    return [
      column(`${id}_${ending(si.id)}`, 'number', `${name}, as it was read. ${about}`, si.id),
      ...(shown.id === si.id
        ? []
        : [column(`${id}_${ending(shown.id)}`, 'number', `The same in ${shown.id}.`, shown.id)]),
      column(
        `${id}_error_${ending(si.id)}`,
        'number',
        'Error of that reading, one standard deviation.',
        si.id,
      ),
    ];
  });
  return {
    runs: {
      name: 'runs',
      description:
        'A drill as it was putted, on one layout; the rungs of a ladder are runs of one block.',
      key: ['run'],
      columns: [
        string('run', 'Id.'),
        string('session', 'Id of the session.'),
        string('drill', 'Name of the drill then.'),
        integer('block', 'Runs of one going at a drill share it; from 1.'),
        integer('rung', 'Rung of the ladder, from 1; empty for none.'),
        bool('cold', 'Before any warm-up.'),
        ...long('distance', 'Ball to hole.'),
        ...long('green_speed', 'The usual reading of the green’s speed.'),
        column('grade', 'number', 'Slope of the green, rise over run.', '1'),
        column(
          'falls_rad',
          'number',
          'Which way it falls, from the line to the hole, right positive.',
          'rad',
        ),
        metres('past_m', 'How far past the hole the pace was meant to run.'),
        metres('gate_gap_m', 'Ball gate: inner gap as planned.'),
        metres('gate_distance_m', 'Ball gate: from the ball, as planned.'),
        metres(
          'gate_gap_built_m',
          'Inner gap as it was measured once it stood; empty when nobody did.',
        ),
        metres('gate_distance_built_m', 'Its distance as it was measured.'),
        json('layout', 'All that stood, as it is kept.'),
        json('rule', 'When it was done.'),
      ],
      rows: ({ id: sessionId, runs }) =>
        runs.map((run) => {
          const { id, drillName, block, rung, cold, layout, rule } = run;
          const { putt } = layout;
          const { planned, gap, distance } = gateOf(run);
          return [
            ...[id, sessionId, drillName, block, rung === null ? null : rung + 1, cold],
            ...inLong(putt.distance),
            ...inLong(putt.greenSpeed),
            ...[putt.slope.grade, putt.slope.falls, putt.past],
            ...[planned?.gap ?? null, planned?.distance ?? null, gap, distance],
            ...[JSON.stringify(layout), JSON.stringify(rule)],
          ];
        }),
    },
    putts: {
      name: 'putts',
      description: 'One putt a row, in the order in which they reached the server.',
      key: ['putt'],
      columns: [
        string('putt', 'Id.'),
        string('run', 'Id of the run.'),
        string('session', 'Id of the session.'),
        string('student', 'Id of the student.'),
        integer('number', 'Within its run, from 1.'),
        when('at', 'When.'),
        integer('station', 'Where it was made: station, from 1.'),
        integer('again', 'How often that ball had been missed before.'),
        ...long('spot_distance', 'From the hole, where it was not made at the ball mark.'),
        column('spot_bearing_rad', 'number', 'The way round the hole from there.', 'rad'),
        string('manner', 'How it was struck; usual, or what was different.'),
        bool('counts', 'Neither taken back nor left out.'),
        bool('taken_back', 'Taken back.'),
        bool('left_out', 'It took place, but does not count.'),
        string('result', 'What happened at the first thing of its layout: the id of the outcome.'),
        bool(
          'passed',
          'It did what counts on this layout; empty where nothing that counts was seen.',
        ),
        json('outcomes', 'What happened, by element.'),
        json('points', 'What was pointed at, by element; m along and across.'),
        json(
          'filled',
          'Elements at which nobody looked: it was worked out from what was measured.',
        ),
        json('guess', 'What was guessed before looking.'),
        string('note', 'The coach’s note of it.'),
        string('measured_by', 'The instruments or files that the readings are from.'),
        ...measured,
      ],
      rows: ({ id: sessionId, studentId, runs }) =>
        runs.flatMap(({ id, layout, putts }) => {
          const passes = judge(layout);
          const primary = loggedElements(layout).primary?.id;
          return putts.map((putt, index): Cell[] => {
            const { place, outcomes, points, filled, guess, measured: read } = putt;
            return [
              ...[putt.id, id, sessionId, studentId, index + 1, putt.at],
              ...[place.station + 1, place.again],
              ...inLong(place.spot?.distance ?? null),
              ...[place.spot?.bearing ?? null, putt.manner],
              ...[counts(putt), putt.undoneAt !== null, putt.leftOut],
              primary === undefined ? null : (outcomes[primary] ?? null),
              passes(outcomes),
              ...[JSON.stringify(outcomes), JSON.stringify(points), JSON.stringify(filled)],
              ...[guess && JSON.stringify(guess), putt.note],
              [...new Set(Object.values(read).map(({ by }) => by))].join(', '),
              ...quantities().flatMap(({ id: one, dimension }): Cell[] => {
                const value = read[one]?.value ?? null;
                const [si, shown] = [siUnit(dimension), shownUnit(dimension)];
                return [
                  value,
                  ...(shown.id === si.id ? [] : [value === null ? null : value / shown.si]),
                  read[one]?.error ?? null,
                ];
              }),
            ];
          });
        }),
    },
  };
}

/** What each number of a score is. */
const SAID = {
  bias: 'Where the middle of the putts lies, against what was meant.',
  spread: 'How far putts scatter around their own middle, one standard deviation.',
  window: 'Half-width, centred on what was meant, that holds eight putts in ten.',
} as const;

const METHODS = ['alone', 'carried', 'smoothed'] as const;

export const scores: Table<{ studentId: string; scores: readonly ScoreTold[] }> = {
  name: 'scores',
  description:
    'What the putts say: one quantity of one session a row, by each of three ways. SI, right and long positive.',
  key: ['session', 'quantity', 'method'],
  columns: [
    string('student', 'Id of the student.'),
    string('session', 'Id of the session.'),
    when('at', 'When it was begun.'),
    string('quantity', 'Which quantity.'),
    string('unit', 'Of all numbers of the row.'),
    string(
      'method',
      'alone: from its own putts only; carried: with all earlier sessions; smoothed: with later ones too.',
    ),
    integer('putts', 'Putts of that session that say something of it.'),
    ...(['bias', 'spread', 'window'] as const).flatMap((what) => [
      column(`${what}_low`, 'number', `Lower end of the 80 % interval of the ${what}.`),
      column(what, 'number', SAID[what]),
      column(`${what}_high`, 'number', `Upper end of the 80 % interval of the ${what}.`),
    ]),
    bool('side_unknown', 'Nothing told right from left.'),
  ],
  rows: ({ studentId, scores: told }) =>
    told.flatMap(({ id, at, basis, ...score }) =>
      METHODS.flatMap((method) =>
        Object.entries(score[method]).flatMap(([quantity, one]): Cell[][] => {
          if (!one) return [];
          const { bias, spread, window, side } = one;
          return [
            [
              ...[studentId, id, at, quantity, siUnit(quantityOf(quantity).dimension).id, method],
              basis[quantity] ?? 0,
              ...[bias, spread, window].flatMap(({ low, middle, high }) => [low, middle, high]),
              side === 'unknown',
            ],
          ];
        }),
      ),
    ),
};
