export { medianOf } from './median';
export { normalBelow, normalQuantile } from './normal';
export { bothBelow, bothDensity, rectangle, type Rectangle } from './two-normals';
