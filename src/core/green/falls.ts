import { z } from 'zod';

const DEGREE = Math.PI / 180;

/** The ways a green can fall that have a name, seen from the ball, clockwise. */
export const FALLS = [
  { name: 'left', degrees: -90 },
  { name: 'downhill, left', degrees: -45 },
  { name: 'downhill', degrees: 0 },
  { name: 'downhill, right', degrees: 45 },
  { name: 'right', degrees: 90 },
  { name: 'uphill, right', degrees: 135 },
  { name: 'uphill', degrees: 180 },
  { name: 'uphill, left', degrees: -135 },
] as const;

/** Directions this near to a named one get its name, rad. */
const NAMED_WITHIN = 0.5 * DEGREE;

const apart = (a: number, b: number): number =>
  Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

const nameOf = (falls: number): string | undefined =>
  FALLS.find(({ degrees }) => apart(falls, degrees * DEGREE) < NAMED_WITHIN)?.name;

/**
 * The way a green falls, in words: a name, or the hour on a clock whose twelve is the hole ("to 5 o’clock").
 *
 * @param falls rad from the line to the hole, right positive
 */
export function fallsWords(falls: number): string {
  const halves = Math.round(((falls / DEGREE + 360) % 360) / 15) % 24;
  const hour = Math.floor(halves / 2) || 12;
  return nameOf(falls) ?? (halves % 2 === 0 ? `to ${hour} o’clock` : `to ${hour}:30`);
}

/**
 * The way a green falls as it is typed: a name, or degrees from the line to the hole ("70° left").
 *
 * @param falls rad from the line to the hole, right positive
 */
export function typedFalls(falls: number): string {
  const named = nameOf(falls);
  if (named) return named;
  const degrees = Math.atan2(Math.sin(falls), Math.cos(falls)) / DEGREE;
  return `${Math.round(Math.abs(degrees))}° ${degrees < 0 ? 'left' : 'right'}`;
}

const CLOCK = /^(?:to )?(1[0-2]|[1-9])(?:[:.](30|00))?\s*(?:o ?[’']?clock)?$/;
const TURN = /^(\d{1,3}(?:[.,]\d+)?)\s*(?:°|deg|degrees)?\s*(?:to the )?(l|left|r|right)$/;

/**
 * Reads the way a green falls: "left", "downhill right", "70° left", "5 o'clock", "4:30".
 *
 * @param text what was typed
 * @returns rad from the line to the hole, right positive, or null when it cannot be read
 */
export function parseFalls(text: string): number | null {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/[\s,]+/g, ' ');
  const words = new Set(
    typed.replaceAll('down hill', 'downhill').replaceAll('up hill', 'uphill').split(' '),
  );
  const named = FALLS.find(({ name }) => {
    const parts = name.split(', ');
    return parts.length === words.size && parts.every((part) => words.has(part));
  });
  if (named) return named.degrees * DEGREE;
  const clock = CLOCK.exec(typed);
  if (clock) {
    const turn = (Number(clock[1]) % 12) * 30 + (clock[2] === '30' ? 15 : 0);
    return (turn > 180 ? turn - 360 : turn) * DEGREE;
  }
  const part = TURN.exec(typed);
  if (!part) return null;
  const degrees = Number(part[1]!.replace(',', '.'));
  if (degrees > 180) return null;
  return (part[2]!.startsWith('l') ? -1 : 1) * degrees * DEGREE;
}

/** A Zod schema from the way a green falls as it is typed to radians. */
export const fallsSchema = z.string().transform((text, context) => {
  const falls = parseFalls(text);
  if (falls !== null) return falls;
  context.addIssue({
    code: 'custom',
    message: `“${text.trim().slice(0, 24)}” is not a direction. Type a direction such as left, downhill right, 5 o’clock or 70° left, seen from the ball.`,
  });
  return z.NEVER;
});
