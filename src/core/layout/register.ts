import { ballGate } from './ball-gate';
import { ballMark } from './ball-mark';

/** Every element a layout can hold. A new one is its file and a line here. */
export const ELEMENTS = { ballMark, ballGate } as const;
