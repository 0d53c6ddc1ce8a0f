/** What to say wherever such things stand; said once a layout. */
export const CAUTIONS = {
  tees: [
    'Tees mark greens and catch mowers. Ask the greenkeeper, use the practice green and repair the holes.',
    'Count the tees out and back in.',
  ],
  rods: [
    'Sticks on the ground trip people. Keep walkers on one side, and take the sticks up when you leave.',
  ],
  string: [
    'A string at shin height trips people, and skewers can hurt eyes. Cap the ends, hang a cloth on the string, and take both up afterwards.',
    'Skewers mark greens. Ask the greenkeeper, use the practice green and repair the holes.',
  ],
  overhead: [
    'With a stick at eye height, blunt both ends, mark it, and step back before you look up.',
  ],
  push: [
    'Pushing a club or hitting a heavy ball jars the wrists. Do only a few at a time, and stop if it hurts.',
  ],
  chest: [
    'With a stick on the breastbone, use light pressure only. Do not use it after chest or abdominal surgery.',
  ],
  balance: [
    'Use balance cushions only with something to hold. They are not for people prone to falls. Never use them on a slope or on wet ground.',
  ],
  blind: [
    'Close the eyes only with something to hold or with a helper. This is not for people prone to falls. Never do it on a slope or on wet ground.',
  ],
  mirror: [
    'A mirror throws sun into the eyes and heat onto the grass. Shade it, and pick it up between sets.',
  ],
  bent: ['Bending for a long time tires the back. Stand up every few minutes.'],
} as const;
