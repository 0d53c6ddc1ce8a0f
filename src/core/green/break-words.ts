/** A break as a coach says it. */
export interface Break {
  /** Start line beside the middle of the hole, in hole widths. */
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
  just: 0.1,
  'half a': 0.5,
  'one and a half': 1.5,
};

/** From the middle of the hole to its edge, in hole widths. */
const EDGE = 0.5;
/** Nearer to the edge than this, in hole widths, is on it; nearer to the middle is straight. */
const NEAR = 0.05;

const WAY = /(right to left|left to right|r\s*(?:to|-|–|>|→)\s*l|l\s*(?:to|-|–|>|→)\s*r|rl|lr)$/;
const SIDE = /\s*\b(outside|out|inside|in)?\s*(?:of )?(?:the )?(?:(left|right) )?(edge)?$/;
const AMOUNT = /^(?:(\d+(?:[.,]\d+)?)|([a-z ]+?))?\s*(?:cups?|holes?)?(?: and a half)?$/;

/** How much is said, in hole widths; null when it is no amount. */
function amountOf(text: string): number | null {
  const part = AMOUNT.exec(text);
  if (text === '' || !part) return null;
  const whole = part[1] ? Number(part[1].replace(',', '.')) : AMOUNTS[(part[2] ?? '').trim()];
  return whole === undefined ? null : whole + (/ and a half$/.test(text) ? 0.5 : 0);
}

/**
 * Reads a break as coaches say it, from the edge of the hole: "a cup right to left", "2 cups outside, left to right", "half a
 * cup r to l", "inside the edge, l to r", "straight".
 *
 * @param text what was typed; cups are outside the edge unless it says inside
 * @returns the break, or null when it cannot be read
 * @example parseBreak('a cup right to left') // { cups: 1.5, towards: 'left' }
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
  const said = typed.slice(0, way.index).trim();
  const side = SIDE.exec(said);
  // The ball starts on one side of the hole and breaks towards the other.
  if (side?.[2] === towards) return null;
  const amount = said.slice(0, side?.index ?? said.length).trim();
  const inside = side?.[1]?.startsWith('in') ?? false;
  if (amount === '' || amount === 'the') {
    if (side?.[1] && inside) return { cups: EDGE / 2, towards };
    return side?.[3] && !side[1] ? { cups: EDGE, towards } : null;
  }
  const cups = amountOf(amount);
  if (cups === null || (inside && cups >= EDGE)) return null;
  return { cups: inside ? EDGE - cups : EDGE + cups, towards };
}

/**
 * Says how far beside the hole something is, from its edge: "1.4 cups outside the right edge", "just inside the left edge".
 *
 * @param cups from the middle of the hole, in hole widths, right positive
 */
export function edgeWords(cups: number): string {
  const edge = `the ${cups > 0 ? 'right' : 'left'} edge`;
  const outside = Math.abs(cups) - EDGE;
  if (Math.abs(outside) < NEAR) return edge;
  const shown = Math.abs(outside).toFixed(1);
  const far = shown === '0.1' ? 'just' : shown === '1.0' ? 'a cup' : `${shown} cups`;
  return `${far} ${outside > 0 ? 'outside' : 'inside'} ${edge}`;
}

/**
 * Says a break: "1.3 cups outside the right edge, right to left".
 *
 * @param cups start line beside the middle of the hole in hole widths, right positive: the ball breaks the other way
 */
export function breakWords(cups: number): string {
  if (Math.abs(cups) < NEAR) return 'straight';
  return `${edgeWords(cups)}, ${cups > 0 ? 'right to left' : 'left to right'}`;
}
