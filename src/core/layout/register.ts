import { aimCheck } from './aim-check';
import { ballGate } from './ball-gate';
import { ballMark } from './ball-mark';
import { bodyAid } from './body-aid';
import { boxGate } from './box-gate';
import { corridor } from './corridor';
import { equator } from './equator';
import { faceCheck } from './face-check';
import { faceMark } from './face-mark';
import { followStop } from './follow-stop';
import { hole } from './hole';
import { holeGate } from './hole-gate';
import { line } from './line';
import { paceZone } from './pace-zone';
import { putterGate } from './putter-gate';
import { rail } from './rail';
import { readFirst } from './read-first';
import { routine } from './routine';
import { stations } from './stations';
import { strokeStops } from './stroke-stops';
import { targetSpot } from './target-spot';
import { targetTee } from './target-tee';
import { watch } from './watch';

/** Every element a layout can hold, in the order in which they are offered. A new one is its file and a line here. */
export const ELEMENTS = {
  ballMark,
  ballGate,
  holeGate,
  targetSpot,
  targetTee,
  corridor,
  putterGate,
  followStop,
  boxGate,
  rail,
  readFirst,
  aimCheck,
  faceCheck,
  faceMark,
  paceZone,
  strokeStops,
  equator,
  line,
  stations,
  hole,
  bodyAid,
  watch,
  routine,
} as const;

export type ElementKind = keyof typeof ELEMENTS;
