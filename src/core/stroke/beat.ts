/** Strokes a minute that a beat may have: of one stroke, from its start to the strike. */
export const BEATS_A_MINUTE = { min: 60, max: 100 } as const;
/** Time back over time through to the strike. */
export const BEAT_RATIO = { min: 1, max: 3 } as const;

/** What is heard: the stroke begins, turns, strikes. */
export type BeatTone = 'begin' | 'turn' | 'strike';

export interface Beat {
  /** From the start of the round, s. */
  at: number;
  tone: BeatTone;
}

/** Strokes that a round leaves free after each, to look up and begin again. */
const REST = 3;

/**
 * One round of a beat: the stroke from its start to the strike takes one beat, the turn divides it by the ratio; then three beats of
 * rest.
 *
 * @param perMinute 60 to 100: how long a stroke takes, 1 s to 0.6 s
 * @param ratio time back over time through, 1 to 3; two to one is common
 * @returns the tones of a round and how long it lasts, s
 * @throws RangeError for a value outside of what is allowed
 * @example beatRound(75, 2).tones.map(({ at }) => at) // [0, 0.533, 0.8]
 */
export function beatRound(perMinute: number, ratio: number): { tones: Beat[]; lasts: number } {
  const { min, max } = BEATS_A_MINUTE;
  if (!(perMinute >= min && perMinute <= max))
    throw new RangeError(`A beat of ${perMinute} a minute is out of range: use ${min} to ${max}.`);
  if (!(ratio >= BEAT_RATIO.min && ratio <= BEAT_RATIO.max))
    throw new RangeError(
      `A ratio of ${ratio} is out of range: use ${BEAT_RATIO.min} to ${BEAT_RATIO.max}.`,
    );
  const stroke = 60 / perMinute;
  return {
    tones: [
      { at: 0, tone: 'begin' },
      { at: (stroke * ratio) / (1 + ratio), tone: 'turn' },
      { at: stroke, tone: 'strike' },
    ],
    lasts: (1 + REST) * stroke,
  };
}

/**
 * A stroke that was timed, against a beat.
 *
 * @param beat strokes a minute and the ratio back to through, within what {@link beatRound} allows
 * @param stroke time back and time from the top to the strike, s
 * @returns how much longer each took than the beat has it, s; shorter is negative
 * @throws RangeError for a beat outside of what is allowed
 * @example againstBeat({ perMinute: 75, ratio: 2 }, { back: 0.6, through: 0.25 }) // { back: 0.067, through: -0.017 }
 */
export function againstBeat(
  { perMinute, ratio }: { perMinute: number; ratio: number },
  { back, through }: { back: number; through: number },
): { back: number; through: number } {
  const [begin, turn, strike] = beatRound(perMinute, ratio).tones.map(({ at }) => at) as [
    number,
    number,
    number,
  ];
  return { back: back - (turn - begin), through: through - (strike - turn) };
}

/**
 * The tones that fall within a stretch of time, rounds following each other without a gap.
 *
 * @param round by {@link beatRound}
 * @param from since the first round began, s, 0 or more
 * @param until s; itself left out
 * @returns in order
 */
export function beatsWithin(
  { tones, lasts }: ReturnType<typeof beatRound>,
  from: number,
  until: number,
): Beat[] {
  const found: Beat[] = [];
  for (let round = Math.floor(from / lasts); round * lasts < until; round++) {
    for (const { at, tone } of tones) {
      const when = round * lasts + at;
      if (when >= from && when < until) found.push({ at: when, tone });
    }
  }
  return found;
}
