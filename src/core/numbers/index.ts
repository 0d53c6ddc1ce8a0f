export { normalBelow, normalQuantile } from './normal';
