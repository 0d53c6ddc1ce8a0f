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

  /** The program is built in several parts, each with a class of this name: a problem of one is a problem to the others. */
  static override [Symbol.hasInstance](value: unknown): boolean {
    return value instanceof Error && value.name === 'Problem';
  }
}

/** The message for a thing that this coach does not have. */
export const notFound = (what: string): Problem =>
  new Problem(
    'not-found',
    `This ${what} does not exist. It may have been deleted, or the address may be mistyped.`,
  );
