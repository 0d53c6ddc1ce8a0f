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
  description: 'The students.',
  key: ['student'],
  columns: [
    string('student', 'Id.'),
    string('name', 'Name.'),
    string('hand', 'Hand: right or left.'),
    string('level', 'Level set by the coach: beginner, steady or advanced.'),
    bool('seated', 'Putts from a chair.'),
    string('school', 'The preferred stroke: arc or straight.'),
    metres('head_length_m', 'Putter head length, heel to toe.'),
    metres('head_depth_m', 'Putter head depth, face to back.'),
    column('lie_rad', 'number', 'Lie angle of the putter.', 'rad'),
    bool('archived', 'Archived.'),
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
  description: 'Lessons and practice sessions, one per row.',
  key: ['session'],
  columns: [
    string('session', 'Id.'),
    string('student', 'ID of the student.'),
    when('started_at', 'Start time.'),
    when('finished_at', 'Finish time. Empty while the session is open.'),
    string('group', 'Shared by the sessions of a group. Empty for a student alone.'),
    bool('at_home', 'Homework logged by the student.'),
    integer('putts', 'Number of putts that count.'),
    string('note', 'The coach’s note on the session.'),
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
    ...(feet ? [column(`${name}_ft`, 'number', `${description} In feet.`, 'ft')] : []),
  ];
  const inLong = (value: number | null): Cell[] =>
    feet ? [value, value === null ? null : value / FOOT] : [value];
  const measured = quantities().flatMap(({ id, name, about, dimension }): Column[] => {
    const [si, shown] = [siUnit(dimension), shownUnit(dimension)];
    return [
      column(`${id}_${ending(si.id)}`, 'number', `${name} as it was read. ${about}`, si.id),
      ...(shown.id === si.id
        ? []
        : [
            column(
              `${id}_${ending(shown.id)}`,
              'number',
              `The same value in ${shown.id}.`,
              shown.id,
            ),
          ]),
      column(
        `${id}_error_${ending(si.id)}`,
        'number',
        'Error of this reading, one standard deviation.',
        si.id,
      ),
    ];
  });
  return {
    runs: {
      name: 'runs',
      description: 'A drill as played, on one layout. The rungs of a ladder are runs of one block.',
      key: ['run'],
      columns: [
        string('run', 'Id.'),
        string('session', 'ID of the session.'),
        string('drill', 'Name of the drill at that time.'),
        integer('block', 'Number shared by all runs of one attempt at a drill, from 1.'),
        integer('rung', 'Rung of the ladder, from 1. Empty if there is no ladder.'),
        bool('cold', 'Played before any warm-up.'),
        ...long('distance', 'Distance from ball to hole.'),
        ...long('green_speed', 'Green speed, as usually read.'),
        column('grade', 'number', 'Slope of the green, rise over run.', '1'),
        column(
          'falls_rad',
          'number',
          'Direction of fall, measured from the line to the hole, right positive.',
          'rad',
        ),
        metres('past_m', 'Intended pace: how far past the hole the ball should run.'),
        metres('gate_gap_m', 'Ball gate: inner gap as planned.'),
        metres('gate_distance_m', 'Ball gate: distance from the ball as planned.'),
        metres(
          'gate_gap_built_m',
          'Inner gap as measured after set-up. Empty if nobody measured it.',
        ),
        metres('gate_distance_built_m', 'Distance from the ball as measured.'),
        json('layout', 'The whole layout as stored.'),
        json('rule', 'Rule for when the drill is done.'),
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
      description: 'One putt per row, in the order in which the putts reached the server.',
      key: ['putt'],
      columns: [
        string('putt', 'Id.'),
        string('run', 'ID of the run.'),
        string('session', 'ID of the session.'),
        string('student', 'ID of the student.'),
        integer('number', 'Number within the run, from 1.'),
        when('at', 'When.'),
        integer('station', 'Station it was played from, from 1.'),
        integer('again', 'How many times that ball had been missed before.'),
        ...long('spot_distance', 'Distance from the hole, if not played from the ball marker.'),
        column('spot_bearing_rad', 'number', 'Bearing of that spot around the hole.', 'rad'),
        string('manner', 'How it was struck: usual, or what was different.'),
        bool('counts', 'Counts: neither undone nor left out.'),
        bool('taken_back', 'Undone.'),
        bool('left_out', 'Played, but does not count.'),
        string(
          'result',
          'What happened at the first element of the layout: the ID of the outcome.',
        ),
        bool(
          'passed',
          'It did what counts on this layout; empty where nothing that counts was seen.',
        ),
        json('outcomes', 'What happened, by element.'),
        json('points', 'Points marked, by element, in m along and across.'),
        json(
          'filled',
          'Elements that nobody watched. Their outcome was worked out from the measurements.',
        ),
        json('guess', 'The guess made before looking.'),
        string('note', 'The coach’s note on the putt.'),
        string('measured_by', 'The instruments or files that the readings come from.'),
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
  bias: 'How far the average putt is from the target.',
  spread: 'How much the putts vary around their own average, one standard deviation.',
  window: 'Half-width, centred on the target, that holds 8 of 10 putts.',
} as const;

const METHODS = ['alone', 'carried', 'smoothed'] as const;

export const scores: Table<{ studentId: string; scores: readonly ScoreTold[] }> = {
  name: 'scores',
  description:
    'Scores from the putts: one quantity of one session per row, calculated in three ways. SI units, right and long positive.',
  key: ['session', 'quantity', 'method'],
  columns: [
    string('student', 'ID of the student.'),
    string('session', 'ID of the session.'),
    when('at', 'Start time.'),
    string('quantity', 'The quantity.'),
    string('unit', 'Unit of all numbers in the row.'),
    string(
      'method',
      'alone: from its own putts only; carried: with all earlier sessions; smoothed: with later ones too.',
    ),
    integer('putts', 'Number of putts of that session that this quantity is based on.'),
    ...(['bias', 'spread', 'window'] as const).flatMap((what) => [
      column(`${what}_low`, 'number', `Lower end of the 80 % interval of the ${what}.`),
      column(what, 'number', SAID[what]),
      column(`${what}_high`, 'number', `Upper end of the 80 % interval of the ${what}.`),
    ]),
    bool('side_unknown', 'Right and left could not be told apart.'),
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
