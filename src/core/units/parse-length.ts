import { FOOT, INCH } from './constants';

/** A unit that stands on a tape. */
export type TapeUnit = 'ft' | 'in' | 'm' | 'cm' | 'mm';

/** A measure at hand that differs from coach to coach. */
export type OwnUnit = 'step' | 'putter' | 'club';

/** A unit a coach can type. */
export type LengthUnit = TapeUnit | OwnUnit | 'cup' | 'ball';

/** One of a coach's own measures each, in metres. */
export type OwnMeasures = Record<OwnUnit, number>;

/** A man's easy step, a common putter and a driver: until the coach has measured their own. */
export const DEFAULT_OWN: OwnMeasures = { step: 0.75, putter: 0.864, club: 1.143 };

/** One of each fixed unit, in metres; a cup is the width of a hole, a ball its own. */
export const METRES: Record<Exclude<LengthUnit, OwnUnit>, number> = {
  ft: FOOT,
  in: INCH,
  m: 1,
  cm: 0.01,
  mm: 0.001,
  cup: 0.108,
  ball: 0.04267,
};

const SPELLINGS: Record<string, LengthUnit> = {
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  cm: 'cm',
  centimetre: 'cm',
  centimetres: 'cm',
  centimeter: 'cm',
  centimeters: 'cm',
  mm: 'mm',
  millimetre: 'mm',
  millimetres: 'mm',
  millimeter: 'mm',
  millimeters: 'mm',
  step: 'step',
  steps: 'step',
  pace: 'step',
  paces: 'step',
  putter: 'putter',
  putters: 'putter',
  club: 'club',
  clubs: 'club',
  cup: 'cup',
  cups: 'cup',
  ball: 'ball',
  balls: 'ball',
};

/** What a bare number means after a number with this unit: 7 ft 6 is inches, 2 m 40 is centimetres. */
const FOLLOWS: Partial<Record<LengthUnit, LengthUnit>> = { ft: 'in', m: 'cm' };

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

export type ParsedLength =
  { ok: true; metres: number; unit: LengthUnit } | { ok: false; message: string };

/** How to type a length, for messages. */
export const LENGTH_HINT = "Use a form such as 8 ft, 7'6, 2.4 m, 18 in or 60 mm.";

const NUMBER = String.raw`\d+\s+\d+\/\d+|\d+\/\d+|\d*\.\d+|\d+\.?`;
const PART = new RegExp(String.raw`^(${NUMBER})\s*([a-z]+|'|")?\s*`);

/**
 * Reads a length as people type it: "8 ft", "7'6", "7 ft 6 1/2 in", "2.4m", "2,4 m", "18in", "60 mm", "3 steps".
 *
 * @param text what was typed
 * @param bare the unit of a number with no unit at all
 * @param own the coach's step, putter and club, m
 * @returns the length in metres (0 or more) and the first unit used, or a message naming what was typed
 * @example parseLength("7'6", 'ft') // { ok: true, metres: 2.286, unit: 'ft' }
 */
export function parseLength(
  text: string,
  bare: LengthUnit,
  own: OwnMeasures = DEFAULT_OWN,
): ParsedLength {
  const metresIn = (unit: LengthUnit) => ({ ...METRES, ...own })[unit];
  // Digits of full width, as some keyboards type them, are digits.
  const typed = text.replace(/[！-～　]/g, (one) => one.normalize('NFKC')).trim();
  const refuse = (why: string): ParsedLength => ({ ok: false, message: `${why} ${LENGTH_HINT}` });
  if (typed === '') return refuse('Enter a length.');
  const shown = typed.length > 24 ? `${typed.slice(0, 24)}…` : typed;
  const plain = tidy(typed);
  if (/\d,\d{3}(?!\d)/.test(plain)) {
    return refuse(`“${shown}” can be read in two ways because of the comma.`);
  }

  let rest = plain.replace(/,(?=\d)/g, '.');
  let metres = 0;
  let previous: LengthUnit | undefined;
  let first: LengthUnit | undefined;
  while (rest !== '') {
    const part = PART.exec(rest);
    if (!part) return refuse(`“${shown}” is not a length.`);
    const unit = part[2] ? SPELLINGS[part[2]] : previous ? FOLLOWS[previous] : bare;
    const finer = !previous || (unit !== undefined && metresIn(unit) < metresIn(previous));
    if (!unit || !finer) return refuse(`“${shown}” is not a length.`);
    metres += numberOf(part[1] ?? '') * metresIn(unit);
    first ??= unit;
    previous = unit;
    rest = rest.slice(part[0].length);
  }
  if (!first || !Number.isFinite(metres)) return refuse(`“${shown}” is not a length.`);
  return { ok: true, metres, unit: first };
}

/** Brings the many marks for feet, inches and fractions to one spelling. */
function tidy(typed: string): string {
  return typed
    .toLowerCase()
    .replace(/''|[″”“]/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/\s+/g, ' ')
    .trim();
}

function numberOf(text: string): number {
  return text
    .split(' ')
    .map((piece) => {
      const [over, under] = piece.split('/');
      return under === undefined ? Number(over) : Number(over) / Number(under);
    })
    .reduce((sum, piece) => sum + piece, 0);
}
