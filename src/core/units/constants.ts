/** One inch in metres (exact by definition). */
export const INCH = 0.0254;
/** One foot in metres (exact by definition). */
export const FOOT = 0.3048;
/** One degree in radians. */
export const DEGREE = Math.PI / 180;
