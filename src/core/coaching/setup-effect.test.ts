import { ballGateLayout, standing } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import { DEFAULT_FACE_SHARE, scoreHistory, type LoggedSession } from '@/core/scoring';
import { emptyCard, type Card } from '@/core/setup';
import { DEFAULT_UNITS, DEGREE } from '@/core/units';
import { dice } from 'tests/player/player';
import { changeName, effectWords, effectsOf, setupChanges } from '.';

const W = DEFAULT_FACE_SHARE;
const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.062, shank: 0.005 });
const gate = standing(layout).find((element) => element.outcomes().length > 1)!.id;
/** Half of what a gate of 62 mm at 18 in lets through, by hand. */
const THROUGH = Math.atan((0.062 - 0.04267) / 2 / 0.4572);
const day = (number: number) => new Date(Date.UTC(2026, 2, number));

/** Sessions of forty putts a day through a measured gate, of a player whose start scatters so much on each. */
function sessionsOf(spreads: readonly number[], seed: number): LoggedSession[] {
  const random = dice(seed);
  const built = {
    ...layout,
    elements: layout.elements.map((piece) => ({
      ...piece,
      built: { gap: 0.062, distance: 0.4572 },
    })),
  };
  return spreads.map((spread, index) => ({
    id: String(index),
    at: day(index + 1),
    runs: [
      {
        layout: built,
        stand: 'one',
        putts: Array.from({ length: 40 }, () => {
          const start = spread * DEGREE * random.normal();
          const outcome = Math.abs(start) < THROUGH ? 'clear' : start < 0 ? 'left' : 'right';
          return { outcomes: { [gate]: outcome } };
        }),
      },
    ],
  }));
}

const card = (more: Partial<Card>): Card => ({ ...emptyCard(), ...more });

/** A claw since the fifth day. */
const CLAW = setupChanges(
  [
    { at: day(1), card: card({ grip: 'reverse overlap' }) },
    { at: day(3), card: card({ stance: 0.3 }) },
    { at: day(5), card: card({ grip: 'claw' }) },
  ],
  DEFAULT_UNITS,
);

const effectOf = (before: number, after: number, seed: number) => {
  const spreads = [before, before, before, before, after, after, after, after];
  const [found] = effectsOf(CLAW, scoreHistory(sessionsOf(spreads, seed), W), ['start', 'pace'], W);
  return found!.effects;
};

describe('a change of the set-up', () => {
  it('is found on its day, and called by what it is now', () => {
    expect(CLAW).toHaveLength(1);
    expect(CLAW[0]!.at).toEqual(day(5));
    expect(changeName(CLAW[0]!.changes[0]!)).toBe('claw');
    const eyes = setupChanges(
      [
        { at: day(2), card: card({ eyes: 0.04 }) },
        { at: day(1), card: card({ eyes: 0 }) },
      ],
      DEFAULT_UNITS,
    );
    expect(changeName(eyes[0]!.changes[0]!)).toBe('eye position from the ball line 40 mm inside');
    expect(setupChanges([], DEFAULT_UNITS)).toEqual([]);
  });

  it('worked, of a player who starts it half as wide since', () => {
    const effects = effectOf(1.6, 0.8, 3);
    expect(effects.map(({ skill }) => skill)).toEqual(['start']);
    expect(effects[0]!.change.ratio.middle).toBeGreaterThan(0.35);
    expect(effects[0]!.change.ratio.middle).toBeLessThan(0.7);
    expect(effectWords(effects)).toEqual([
      expect.stringMatching(
        /^start line window ×0\.\d\d: better \((over )?9\d % sure, 160 putts before, 160 since\)$/,
      ),
    ]);
    expect(effectWords(effectOf(0.8, 1.6, 4))[0]).toMatch(
      /×[12]\.\d\d: worse \((over )?9\d % sure/,
    );
  });

  it('is seldom said to have worked where nothing changed', () => {
    let said = 0;
    const players = 20;
    for (let seed = 0; seed < players; seed++) {
      const { better } = effectOf(1.1, 1.1, 100 + seed)[0]!;
      said += Number(better >= 0.95 || better <= 0.05);
    }
    // One in ten is meant; more than 5 of 20 would be seen once in a hundred.
    expect(said).toBeLessThanOrEqual(5);
  });

  it('looks back to the last change of the same thing, past those of others, and names those', () => {
    const cards = [
      { at: day(1), card: card({ grip: 'reverse overlap', pressure: 3, eyes: 0 }) },
      { at: day(4), card: card({ pressure: 4 }) },
      { at: day(5), card: card({ grip: 'claw' }) },
      { at: day(7), card: card({ eyes: 0.02 }) },
    ];
    const changes = setupChanges(cards, DEFAULT_UNITS);
    const scores = scoreHistory(sessionsOf([1.5, 1.5, 1.5, 1.5, 0.8, 0.8, 0.8, 0.8], 4), W);
    const [pressure, grip] = effectsOf(changes, scores, ['start'], W);
    // Four days of 40 putts with the old grip, and four with the new, whatever was done to the pressure.
    expect(grip!.effects[0]!.change.then.putts).toBe(160);
    expect(grip!.effects[0]!.change.now.putts).toBe(160);
    const named = ({ meanwhile }: NonNullable<typeof grip>) =>
      meanwhile.flatMap(({ changes: own }) => own.map(({ id }) => id));
    expect(named(grip!)).toEqual(['pressure', 'eyes']);
    expect(named(pressure!)).toEqual(['grip', 'eyes']);
  });

  it('says nothing of few putts, and names what is not clear', () => {
    const few = sessionsOf([1, 1], 5).map((session) => ({
      ...session,
      runs: session.runs.map((run) => ({ ...run, putts: run.putts.slice(0, 10) })),
    }));
    const two = setupChanges(
      [
        { at: day(1), card: card({ grip: 'claw' }) },
        { at: day(2), card: card({ grip: 'interlocked' }) },
      ],
      DEFAULT_UNITS,
    );
    expect(effectsOf(two, scoreHistory(few, W), ['start'], W)[0]!.effects).toEqual([]);
    const { change } = effectOf(1.1, 1.1, 9)[0]!;
    const words = (smaller: number, better: number) =>
      effectWords([{ skill: 'start', change: { ...change, smaller }, better }]);
    expect(words(0.6, 0.6)).toEqual(['start line: no clear change']);
    expect(words(0.99, 0.7)).toEqual([
      expect.stringMatching(
        /practice may be the reason\. .*use the old set-up again for two sessions/,
      ),
    ]);
  });
});
