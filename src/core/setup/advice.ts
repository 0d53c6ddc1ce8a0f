import { showDegrees, showLength, DEGREE, type UnitPreferences } from '@/core/units';
import type { Card } from './card';

/** What is said of a set-up, and whether it is a caution that comes before all advice. */
export interface Advice {
  kind: 'caution' | 'fit';
  words: string;
}

/** As far inside as eyes may be, and how the ball and the weight should lie. */
const EYES_INSIDE = 0.05;
const BALL_AHEAD = [0.02, 0.05] as const;
const LEAD_FOOT = [50, 62] as const;
const LIGHT = 5;
/** Nearer to the line than this eyes are over it, m. */
const OVER = 0.005;
const areOutside = ({ eyes }: Card): boolean => eyes !== null && eyes < -OVER;
const areFarInside = ({ eyes }: Card): boolean => eyes !== null && eyes > EYES_INSIDE;

/**
 * What fits this player and what does not, from what was looked at; cautions first. Only what lies clearly outside of what is
 * taught is spoken of.
 *
 * @param card what was looked at
 * @param seated the player putts from a chair
 */
export function adviceOf(card: Card, seated: boolean, units: UnitPreferences): Advice[] {
  const across = (metres: number) => showLength(Math.abs(metres), 'across', units);
  const all: Advice[] = [];
  const add = (kind: Advice['kind'], words: string) => all.push({ kind, words });
  if (card.posture === 'bent')
    add(
      'caution',
      'Bending over for long is hard on the back. Stand up every few minutes and cap the putts. With pain or dizziness, stop and ask a doctor or physiotherapist.',
    );
  if (card.gaze === 'closed')
    add(
      'caution',
      'Putt with eyes closed only on level, dry ground with something to hold on to. It is not for people who fall.',
    );
  if (seated || card.posture === 'seated')
    add(
      'caution',
      'When seated, stay on level ground with the brakes on, and keep the club clear of the seat and the knees. Move the ball, not the chair.',
    );
  if (areOutside(card))
    add(
      'fit',
      `With the eyes ${across(card.eyes!)} outside the line, the line looks turned. Stand a little farther from the ball, or taller.`,
    );
  if (areFarInside(card))
    add(
      'fit',
      `The eyes are ${across(card.eyes!)} inside the line, which is too far. Stand closer, or check the length of the putter.`,
    );
  if (card.ball !== null && card.ball < BALL_AHEAD[0])
    add(
      'fit',
      `A ball ${card.ball < 0 ? 'behind the breastbone' : 'level with the breastbone'} is struck on the way down. Move it a ball’s width ahead, 25 to 40 mm.`,
    );
  if (card.ball !== null && card.ball > BALL_AHEAD[1])
    add(
      'fit',
      `A ball ${across(card.ball)} ahead is struck late and low on the face. Move it back.`,
    );
  if (card.leadFoot !== null && !seated && card.leadFoot < LEAD_FOOT[0])
    add(
      'fit',
      `${card.leadFoot} % of the weight is on the lead foot. Try 55 %, which feels like much more.`,
    );
  if (card.leadFoot !== null && card.leadFoot > LEAD_FOOT[1])
    add(
      'fit',
      `${card.leadFoot} % of the weight on the lead foot leans the shaft. About 55 % is enough.`,
    );
  if (card.pressure !== null && card.pressure > LIGHT)
    add('fit', `A grip pressure of ${card.pressure} out of 10 holds the head back. Try 3 or 4.`);
  if (card.moves === 'body')
    add(
      'fit',
      'The body sways. Rest the head against a wall, or hold an alignment stick across the breastbone.',
    );
  if (card.posture === 'bent')
    add('fit', 'The elbows are out. Let the arms hang, and see where the eyes end up.');
  return all;
}

/** A putter as far as it matters for whom it fits; lengths in m, angles in rad, null where nobody has measured. */
export interface PutterMeasures {
  length: number | null;
  lieAngle: number;
  loft: number | null;
}

/** Loft with which a ball on a green of usual height starts to roll soonest, and how far off it matters, rad. */
const LOFT_WANTED = 3 * DEGREE;
const LOFT_OFF = 1 * DEGREE;
/** A step of the lie at a fitter's bench, rad. */
const LIE_STEP = 2 * DEGREE;
/** A step of length, m: half an inch. */
const LENGTH_STEP = 0.0127;

/** A hint at what to change of a putter, and why. */
export interface FittingHint {
  part: 'length' | 'lie' | 'loft';
  words: string;
}

/**
 * Hints at how a putter fits: its length so that the arms hang and the eyes come right, its lie so that the sole lies flat, its
 * loft by what was read at impact. Hints to try at a bench, not orders: each names what it was taken from.
 *
 * @param card how the player stands with it
 * @param putter as measured
 * @param loft at impact against what is wanted, rad (0 is 3°), with its 80 % interval; null where no sensor has read it
 * @example fittingHints({ ...emptyCard(), sole: 'toe' }, putter, null, DEFAULT_UNITS)[0]!.part // "lie"
 */
export function fittingHints(
  card: Card,
  { length, lieAngle, loft: own }: PutterMeasures,
  loft: { low: number; middle: number; high: number } | null,
  units: UnitPreferences,
): FittingHint[] {
  const hints: FittingHint[] = [];
  const step = showLength(LENGTH_STEP, 'across', units);
  const now = length === null ? '' : ` than its current ${showLength(length, 'across', units)}`;
  const bent = card.posture === 'bent';
  const [outside, far] = [areOutside(card), areFarInside(card)];
  if (bent && !far)
    hints.push({
      part: 'length',
      words: `The elbows are out${outside ? ' and the eyes are outside the line' : ''}, so the putter may be too long to let the arms hang. Hold it ${step} to ${showLength(2 * LENGTH_STEP, 'across', units)} lower down, or try it shorter${now}.`,
    });
  else if (far && card.posture !== 'seated')
    hints.push({
      part: 'length',
      words: `The eyes are far inside the line with the arms hanging. Try the putter ${step} shorter${now}, to bring the ball closer.`,
    });
  else if (outside)
    hints.push({
      part: 'length',
      words: `The eyes are outside the line with the arms hanging. Try the putter ${step} longer${now}, to move the ball farther away.`,
    });
  if (card.sole === 'toe' || card.sole === 'heel') {
    const flatter = card.sole === 'toe';
    const wanted = lieAngle + (flatter ? -LIE_STEP : LIE_STEP);
    hints.push({
      part: 'lie',
      words: `The ${flatter ? 'toe' : 'heel'} is up: a lie of ${showDegrees(lieAngle, 0)} is too ${flatter ? 'upright' : 'flat'} for how the hands are held. Try ${showDegrees(wanted, 0)}, until the sole lies flat.`,
    });
  }
  if (loft && own !== null && (loft.low > LOFT_OFF || loft.high < -LOFT_OFF)) {
    const at = LOFT_WANTED + loft.middle;
    const lean = own - at;
    const much = loft.middle > 0;
    hints.push({
      part: 'loft',
      words: `Loft at impact is ${showDegrees(at, 1)} (${showDegrees(own, 1)} on the club, with the shaft leaning ${showDegrees(Math.abs(lean), 1)} ${lean >= 0 ? 'forward' : 'back'}), so ${much ? 'the ball hops first' : 'the ball is pressed down first'}. About ${showDegrees(Math.max(0, own - loft.middle), 0)} on the club, or ${much ? 'more' : 'less'} lean, gives ${showDegrees(LOFT_WANTED, 0)}.`,
    });
  }
  return hints;
}
