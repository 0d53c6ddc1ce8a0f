export { anytimeMargin, evidenceAgainstNone } from './anytime';
export { gaussLegendre } from './gauss-legendre';
export { medianOf } from './median';
export { normalBelow, normalBetween, normalDensity, normalQuantile } from './normal';
export { shuffle } from './shuffle';
export { bothBelow, bothDensity, rectangle, type Rectangle } from './two-normals';
