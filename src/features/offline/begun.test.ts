import { t } from 'tests/english';
import fc from 'fast-check';
import { LIBRARY } from '@/core/drill';
import { STANDARD_FITTING } from '@/core/people';
import { plainBelief, priorBelief } from '@/core/scoring';
import { DEFAULT_UNITS } from '@/core/units';
import { beginHere, moved, playerOf, rotated, rungFor, swapped, toSend } from './begun';
import { begunSession, keptSchema, type Kept } from './wire';

const [AMA, BO] = [
  '11111111-1111-4111-8111-111111111111',
  '22222222-2222-4222-8222-222222222222',
] as const;
let made = 0;
const stamps = {
  newId: () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  now: () => '2026-11-26T09:00:00.000Z',
};
const alone = { cold: false, home: '', ...stamps };

const kept: Kept = keptSchema.parse({
  at: '2026-11-26T08:00:00.000Z',
  owner: AMA,
  coach: 'A coach',
  units: DEFAULT_UNITS,
  faceShare: 0.83,
  students: [AMA, BO].map((id, index) => ({
    id,
    name: index === 0 ? 'Ama Sluice' : 'Bo Wharf',
    fitting: { ...STANDARD_FITTING, hand: index === 0 ? 'right' : 'left' },
    belief: plainBelief(priorBelief()),
    seconds: 25,
    card: null,
    putters: [],
  })),
  drills: LIBRARY.map(({ key, name, layout, ...details }) => ({
    ...{ ref: `lib:${key}`, versionId: null, name, layout, details, homework: null },
  })),
  coming: [],
});
const GATE = 'lib:straight-gate';
const LADDER = 'lib:gate-ladder';

test('every built-in drill is begun for either hand on the rung that teaches, and is such that it can be sent', () => {
  fc.assert(
    fc.property(fc.constantFrom(...kept.drills), fc.constantFrom(AMA, BO), (drill, studentId) => {
      const rung = rungFor(t, kept, { studentId, ref: drill.ref });
      expect(rung === null).toBe(drill.details.ladder.length === 0);
      const [session] = beginHere(t, kept, [{ studentId, ref: drill.ref, rung }], alone);
      expect(begunSession.parse(JSON.parse(JSON.stringify(toSend(session!))))).toBeTruthy();
      const player = playerOf(t, kept, session!, new Map());
      expect(player.layout.player.hand).toBe(studentId === AMA ? 'right' : 'left');
      expect(player.rung === null || player.rung < drill.details.ladder.length).toBe(true);
    }),
    { numRuns: 120 },
  );
});

test('a group shares its number and has its places; nobody is named twice', () => {
  const players = [
    { studentId: AMA, ref: GATE, rung: null },
    { studentId: BO, ref: LADDER, rung: 1 },
  ];
  const [a, b] = beginHere(t, kept, players, alone);
  expect(a!.groupId).toBe(a!.id);
  expect(b!.groupId).toBe(a!.id);
  expect([a!.place, b!.place]).toEqual([1, 2]);
  expect(() => beginHere(t, kept, [players[0]!, players[0]!], alone)).toThrow('listed twice');
});

test('climbing stays in one going at the drill; another drill is a new one', () => {
  const [session] = beginHere(t, kept, [{ studentId: AMA, ref: LADDER, rung: 1 }], alone);
  const up = moved(t, kept, session!, 2, stamps.newId);
  expect(up.runs.map(({ rung, block }) => [rung, block])).toEqual([
    [1, 1],
    [2, 1],
  ]);
  const other = swapped(t, kept, up, { ref: GATE, rung: null }, stamps.newId);
  expect(other.runs.map(({ block }) => block)).toEqual([1, 1, 2]);
  expect(new Set(other.runs.map(({ id }) => id)).size).toBe(3);
});

test('what was putted on earlier rungs counts for the rule, and what was taken back does not', () => {
  const [session] = beginHere(t, kept, [{ studentId: AMA, ref: LADDER, rung: 1 }], alone);
  const up = moved(t, kept, session!, 2, stamps.newId);
  const gate = up.runs[0]!.layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
  const putt = (id: string, undone: boolean) => ({
    ...{ id, outcomes: { [gate]: 'clear' }, points: {}, guess: null, note: '', leftOut: false },
    place: { station: 0, again: 0, spot: null },
    manner: 'usual' as const,
    ...{ measured: {}, filled: [] },
    ...{ at: stamps.now(), undone, changes: [] },
  });
  const logged = new Map([
    [up.runs[0]!.id, { putts: [putt('a', false), putt('b', true)], marks: [] }],
  ]);
  const player = playerOf(t, kept, up, logged);
  expect(player.earlier.map(({ putts }) => putts.length)).toEqual([1]);
  expect(player.begunOn).toBe(1);
  expect(player.rung).toBe(2);
});

test('all on by one station, and round again: everyone is back where they were, on the rung they had come to', () => {
  const players = [
    { studentId: AMA, ref: GATE, rung: null },
    { studentId: BO, ref: LADDER, rung: 1 },
  ];
  const group = beginHere(t, kept, players, alone);
  const climbed = [group[0]!, moved(t, kept, group[1]!, 3, stamps.newId)];
  const once = rotated(t, kept, climbed, stamps.newId);
  expect(once.map(({ runs }) => runs.at(-1)!.ref)).toEqual([LADDER, GATE]);
  const twice = rotated(t, kept, once, stamps.newId);
  expect(twice.map(({ runs }) => [runs.at(-1)!.ref, runs.at(-1)!.rung])).toEqual([
    [GATE, null],
    [LADDER, 3],
  ]);
});

test('a cold test is ten putts, whatever the drill; what is not kept here is named', () => {
  const cold = { ...alone, cold: true };
  const [session] = beginHere(t, kept, [{ studentId: AMA, ref: LADDER, rung: 1 }], cold);
  const player = playerOf(t, kept, session!, new Map());
  expect(player.rule).toEqual({ type: 'assessment', putts: 10 });
  expect(player.manners).toEqual([]);
  const gone = { studentId: BO, ref: 'lib:moat', rung: null };
  expect(() => beginHere(t, kept, [gone], alone)).toThrow('The drill is not saved on this device.');
});
