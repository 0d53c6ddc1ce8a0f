/** A break as a coach says it. */
export interface Break {
  /** Start line beside the hole, in hole widths. */
  cups: number;
  towards: 'left' | 'right';
}

const AMOUNTS: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  half: 0.5,
  'half a': 0.5,
  'one and a half': 1.5,
};

const WAY = /(right to left|left to right|r\s*(?:to|-|–|>|→)\s*l|l\s*(?:to|-|–|>|→)\s*r|rl|lr)$/;
const AMOUNT = /^(?:(\d+(?:[.,]\d+)?)|([a-z ]+?))?\s*(?:cups?|holes?)?(?: and a half)?$/;

/**
 * Reads a break as coaches say it: "a cup right to left", "2 cups left to right", "half a cup r to l", "straight".
 *
 * @param text what was typed
 * @returns the break, or null when it cannot be read
 */
export function parseBreak(text: string): Break | null {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/,(?=\s)/g, '');
  if (typed === 'straight' || typed === 'none' || typed === '0')
    return { cups: 0, towards: 'left' };
  const way = WAY.exec(typed);
  if (!way) return null;
  const towards = way[1]!.startsWith('r') ? 'left' : 'right';
  const amount = typed.slice(0, way.index).trim();
  const part = AMOUNT.exec(amount);
  if (amount === '' || !part) return null;
  const whole = part[1] ? Number(part[1].replace(',', '.')) : AMOUNTS[(part[2] ?? '').trim()];
  if (whole === undefined) return null;
  return { cups: whole + (/ and a half$/.test(amount) ? 0.5 : 0), towards };
}

/**
 * Says a break: "1.3 cups right to left".
 *
 * @param cups start line beside the hole in hole widths, right positive: the ball breaks the other way
 */
export function breakWords(cups: number): string {
  const shown = Math.abs(cups).toFixed(1);
  if (shown === '0.0') return 'straight';
  return `${shown === '1.0' ? 'a cup' : `${shown} cups`} ${cups > 0 ? 'right to left' : 'left to right'}`;
}
