import type { Ground, Known, Pixel } from './plane';

/** Flat things whose size everybody knows, m. */
export const SHEETS = {
  a4: { label: 'A4 sheet of paper', long: 0.297, short: 0.21 },
  letter: { label: 'Letter sheet of paper', long: 0.2794, short: 0.2159 },
} as const;

/** A sheet on grass is not quite flat: how far off each of its corners is, one standard deviation, m. */
const FLATNESS = 0.0015;

/** The name of a flat thing of known size. */
export type SheetName = keyof typeof SHEETS;

/**
 * The corners of something with four right angles that lies on the ground, as points whose places are known.
 *
 * @param corners as touched: the two ends of a long side, then on round, either way
 * @param long the long side, m
 * @param short the short side, m
 * @returns four known points
 * @example cornersOf(touched, 0.297, 0.21)
 */
export function cornersOf(corners: readonly Pixel[], long: number, short: number): Known[] {
  // A picture has y down: this is positive where they go round clockwise as seen.
  const turned = corners.reduce((sum, { x, y }, index) => {
    const next = corners[(index + 1) % corners.length]!;
    return sum + x * next.y - next.x * y;
  }, 0);
  const side = turned > 0 ? -1 : 1;
  const at: Ground[] = [
    { x: 0, y: 0 },
    { x: long, y: 0 },
    { x: long, y: side * short },
    { x: 0, y: side * short },
  ];
  return corners.flatMap((seen, index) =>
    at[index] ? [{ seen, at: at[index], off: FLATNESS }] : [],
  );
}
