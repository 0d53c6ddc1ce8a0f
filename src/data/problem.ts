export type ProblemCode = 'not-found' | 'finished' | 'invalid' | 'refused' | 'database';

/** Something the coach can be told: its message is a sentence for a screen. */
export class Problem extends Error {
  constructor(
    readonly code: ProblemCode,
    message: string,
  ) {
    super(message);
    this.name = 'Problem';
  }
}

/** The message for a thing that this coach does not have. */
export const notFound = (what: string): Problem =>
  new Problem(
    'not-found',
    `There is no such ${what}. It may have been removed, or the address mistyped.`,
  );
