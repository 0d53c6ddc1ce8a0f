import { bundle } from '../server/reckoner.mjs';

await bundle();
