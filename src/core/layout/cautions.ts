/** What to say wherever such things stand; said once a layout. */
export const CAUTIONS = {
  tees: [
    'Tees mark greens and catch mowers: ask the greenkeeper, use the practice green, repair the holes.',
    'Count the tees out and in.',
  ],
  rods: [
    'Sticks on the ground trip people: keep walkers on one side, and take them up when you leave.',
  ],
  string: [
    'String and skewers at shin height trip people and hurt eyes when bending over: cap the ends, hang a cloth on the string, take it up.',
    'Skewers mark greens: ask the greenkeeper, use the practice green, repair the holes.',
  ],
  overhead: ['A stick at eye height: blunt both ends, mark it, and step back before you look up.'],
  push: ['A pushed club or a heavy ball jars wrists: a few at a time, and stop at pain.'],
  chest: [
    'A stick on the breastbone: light pressure only, and not after chest or abdominal surgery.',
  ],
  balance: [
    'Balance cushions: only with something to hold, not for people who fall, never on a slope or wet ground.',
  ],
  blind: [
    'Eyes closed: only with something to hold or a helper, not for people who fall, never on a slope or wet ground.',
  ],
  mirror: [
    'A mirror throws sun into eyes and heat on grass: shade it, and pick it up between sets.',
  ],
  bent: ['Long bent postures tire the back: stand up every few minutes.'],
} as const;
