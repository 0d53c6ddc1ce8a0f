import { DEFAULT_UNITS, type UnitPreferences } from '@/core/units';
import { settingsForm } from './records/form';
import { runAnswer, runEvent, runEvents } from './session/wire';
import { newStudent, studentForm, typedStudent } from './students/form';

const INCHES: UnitPreferences = { ...DEFAULT_UNITS, long: 'metric', short: 'imperial' };

describe('studentForm', () => {
  it.each([
    [DEFAULT_UNITS, '112', 0.112],
    [DEFAULT_UNITS, '4 1/2 in', 0.1143],
    [INCHES, '4 1/2', 0.1143],
    [INCHES, '112 mm', 0.112],
  ])('reads a head in %p typed as %p', (units, headLength, metres) => {
    const typed = { ...newStudent(units), name: 'Wren' };
    const values = studentForm(units).parse({ ...typed, putter: { ...typed.putter, headLength } });
    expect(values.putter.headLength).toBeCloseTo(metres, 9);
  });

  it('types back what it has read', () => {
    const typed = { ...newStudent(DEFAULT_UNITS), name: 'Wren' };
    expect(typedStudent(studentForm(DEFAULT_UNITS).parse(typed), DEFAULT_UNITS)).toEqual(typed);
  });

  it('names a head that cannot be and what is allowed', () => {
    const typed = {
      ...newStudent(DEFAULT_UNITS),
      name: 'Wren',
      putter: { headLength: '1 m', headDepth: 'deep', lieAngle: '89°' },
    };
    const issues = studentForm(DEFAULT_UNITS).safeParse(typed).error?.issues ?? [];
    expect(issues.map(({ path, message }) => `${path.join('.')}: ${message}`)).toEqual([
      'putter.headLength: A head length of 1 m is too large: use 0.06 m to 0.18 m.',
      "putter.headDepth: “deep” is not a length. Use a form such as 8 ft, 7'6, 2.4 m, 18 in or 60 mm.",
      'putter.lieAngle: A lie angle of 89° is out of range: use 60° to 80°.',
    ]);
  });
});

describe('settingsForm', () => {
  const typed = {
    name: ' Tilda ',
    units: { ...INCHES, own: { step: '30', putter: '34 in', club: '1.1 m' } },
    greenSpeed: '9 1/2',
    pace: 'dies',
    faceShare: '0.83',
    zone: 'Europe/Amsterdam',
    daysOff: [],
  };

  it.each(['faceShare', 'zone', 'pace', 'daysOff'] as const)(
    'puts nothing of its own in place of a %s that the page forgot',
    (forgotten) => {
      const { [forgotten]: _gone, ...rest } = typed;
      const issues = settingsForm(DEFAULT_UNITS).safeParse(rest).error?.issues;
      expect(issues?.map(({ path }) => path.join('.'))).toEqual([forgotten]);
    },
  );

  it('reads the green speed in the coach’s units', () => {
    const values = settingsForm(DEFAULT_UNITS).parse(typed);
    expect(values).toMatchObject({ name: 'Tilda', pace: 'dies', units: { long: 'metric' } });
    expect(values.units.own.step).toBeCloseTo(0.762, 9);
    expect(values.units.own.club).toBeCloseTo(1.1, 9);
    expect(values.greenSpeed).toBeCloseTo(2.8956, 9);
  });
});

describe('what goes over the wire', () => {
  const id = '0b2c6b0e-6f0a-4a0e-9c70-111111111111';
  const putt = { type: 'putt', id, outcomes: { gate: 'clear' }, at: '2026-03-01T10:00:00.000Z' };

  it('is a list of putts and of taking back, with dates', () => {
    const { events } = runEvents.parse({ events: [putt, { type: 'undo', id, at: putt.at }] });
    expect(runEvent.parse(events[0])).toEqual({
      ...putt,
      points: {},
      guess: null,
      at: new Date(putt.at),
    });
  });

  it.each([
    ['an id that is none', { ...putt, id: '7' }],
    ['no date', { ...putt, at: 'yesterday-ish' }],
    ['an unknown event', { ...putt, type: 'mulligan' }],
    ['a spot on no green', { ...putt, points: { gate: { along: 900, across: 0 } } }],
    [
      'a note without end',
      { ...putt, type: 'change', puttId: id, correction: { note: 'x'.repeat(301) } },
    ],
    ['an unknown mark', { ...putt, type: 'mark', mark: { type: 'tea' } }],
    ['outcomes that are no words', { ...putt, outcomes: { gate: 7 } }],
  ])('refuses %s', (_what, event) => expect(runEvent.safeParse(event).success).toBe(false));

  it.each([
    ['no list', {}],
    ['too much at once', { events: Array.from({ length: 501 }, () => putt) }],
    ['a position that is none', { events: [], since: { revision: -1 } }],
  ])('refuses %s altogether', (_what, body) =>
    expect(runEvents.safeParse(body).success).toBe(false),
  );

  it('is answered with all putts or with why not', () => {
    const whole = { whole: true, position: { lineage: 0, revision: 3 }, late: 0, refused: [] };
    const told = { ok: true, finished: false, putts: [], marks: [], ...whole };
    expect(runAnswer.safeParse(told).success).toBe(true);
    expect(
      runAnswer.safeParse({ ok: false, code: 'finished', message: 'It was finished.' }).success,
    ).toBe(true);
    expect(runAnswer.safeParse({ ok: true }).success).toBe(false);
  });
});
