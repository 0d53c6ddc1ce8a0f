/** The middle of some numbers, at least one. */
export function medianOf(numbers: readonly number[]): number {
  const sorted = numbers.toSorted((a, b) => a - b);
  const middle = (sorted.length - 1) / 2;
  return (sorted[Math.floor(middle)]! + sorted[Math.ceil(middle)]!) / 2;
}
