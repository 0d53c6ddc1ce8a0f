/** A cut of the sheet's type. */
export type Cut = 'regular' | 'bold' | 'narrow';

/** How wide a text is set, px. */
export type Measure = (text: string, size: number, cut: Cut) => number;

/**
 * Breaks a text into lines no wider than allowed; a word that is wider stands alone.
 *
 * @param text words between spaces
 * @param width px
 * @param size px
 */
export function wrap(
  text: string,
  width: number,
  size: number,
  cut: Cut,
  measure: Measure,
): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && measure(longer, size, cut) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
