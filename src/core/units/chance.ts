/**
 * A chance in words. Nothing is certain: the ends are "over 99 %" and "under 1 %".
 *
 * @param share 0 to 1
 * @example showChance(0.934) // "93 %"
 */
export function showChance(share: number): string {
  const percent = Math.round(100 * share);
  if (percent > 99) return 'over 99 %';
  return percent < 1 ? 'under 1 %' : `${percent} %`;
}

/**
 * An interval of a chance, in words.
 *
 * @param low 0 to 1
 * @param high 0 to 1, `low` or more
 * @example showChanceRange(0.96, 0.999) // "96 % to over 99 %"
 */
export function showChanceRange(low: number, high: number): string {
  const [from, to] = [showChance(low), showChance(high)];
  return from === to ? from : `${from} to ${to}`;
}
