/**
 * How sure something is, in words, and never quite: "93 %", "over 99 %".
 *
 * @param probability of what is said, 0 to 1
 */
export const sureWords = (probability: number): string =>
  probability > 0.99 ? 'over 99 %' : `${Math.floor(100 * probability)} %`;
