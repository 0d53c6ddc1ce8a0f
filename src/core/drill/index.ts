export { tally, type Tally } from './tally';
