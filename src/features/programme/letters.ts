/** Letters of the blocks of a plan, as tees have them. */
export const letterOf = (index: number): string => String.fromCharCode(65 + (index % 26));
