/** What coaches call things besides the words that stand here, and the words of the drills that are meant. */
const TRADE: Readonly<Record<string, readonly string[]>> = {
  lag: ['long putt', '24 ft', '30 ft', 'from farther', 'dies', 'die '],
  clock: ['round the hole', 'sides of the hole', 'from each side', 'four sides'],
  circle: ['round the hole', 'half circle'],
  box: ['box', 'four tees'],
  bell: ['target tee', 'tee to knock', 'knock'],
  speed: ['pace'],
  touch: ['pace', 'distance'],
  drop: ['pace', 'zone'],
  line: ['start line', 'start'],
  tunnel: ['lane', 'corridor', 'rails'],
  track: ['rail', 'rods', 'lane'],
  railroad: ['rail', 'rods', 'lane'],
  doorway: ['gate'],
  goalposts: ['gate'],
  tempo: ['beat', 'ratio', 'count'],
  rhythm: ['beat', 'ratio', 'count'],
  metronome: ['beat', 'count'],
  yips: ['nerves', 'push', 'hand only'],
  pressure: ['start again', 'costs', 'nerves'],
  'sweet spot': ['strike', 'centre of the face'],
  centre: ['strike', 'middle'],
  center: ['strike', 'middle'],
  toe: ['strike', 'heel'],
  break: ['reading', 'slope', 'curve'],
  apex: ['curve', 'halfway'],
  hinge: ['wrist', 'hold', 'finish'],
  flip: ['wrist', 'lead hand', 'break down'],
  release: ['face', 'finish'],
  alignment: ['aim', 'string', 'mirror'],
  ladder: ['farther', 'ladder'],
  random: ['new spot'],
  'up and down': ['two putts', 'again'],
  eyes: ['eyes', 'look'],
  blind: ['eyes closed'],
  cross: ['hands'],
};

/**
 * The words of the trade that a drill is found by, besides its own.
 *
 * @param text all that a drill says, in small letters
 * @returns in small letters
 * @example tradeWords('start line, long putt').includes('lag') // true
 */
export const tradeWords = (text: string): string[] =>
  Object.entries(TRADE).flatMap(([word, meant]) =>
    meant.some((one) => text.includes(one)) ? [word] : [],
  );
