const LIB = 'lib:';

/** A built-in drill, as a plan refers to it. */
export const libraryRef = (key: string): string => `${LIB}${key}`;

/** The key of a built-in drill; null for one of the coach's own. */
export const keyOfRef = (ref: string): string | null =>
  ref.startsWith(LIB) ? ref.slice(LIB.length) : null;
