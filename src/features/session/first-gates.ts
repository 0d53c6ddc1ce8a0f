/** The gates that a first session offers: each says something after twenty putts, with two tees and a ball. */
export const FIRST_GATES = ['straight-gate', 'putter-gate-level', 'limit-line'] as const;
export type FirstGate = (typeof FIRST_GATES)[number];
