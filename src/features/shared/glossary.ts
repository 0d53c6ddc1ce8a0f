/** Words of art, each with what it means in a sentence or two: for the touch on the word, and for docs/glossary.md. */
export const GLOSSARY = {
  window: 'Window: 8 of 10 putts fall inside it. Smaller is better.',
  bias: 'Bias: how far the average putt is from the target.',
  spread: 'Spread: how much putts vary around their own average.',
  '80 % interval': '80 % interval: there is an 80 % chance that the true value is in this range.',
  rung: 'Rung: one step of a drill’s ladder, from easy to hard.',
  ladder: 'Ladder: the same drill, made harder step by step with a narrower gate or a longer putt.',
  'make map': 'Make map: the combinations of direction and speed that go in.',
  'make window': 'Make window: how far off the start line can be and still go in.',
  'usable hole width':
    'Usable hole width: how much of the hole accepts a ball at this pace. A firmly struck ball needs the middle.',
  'aim marker':
    'Aim marker: the spot that the putt must start over, beside the hole on a putt that breaks.',
  'cold test':
    'Cold test: ten putts, each hit once, before any warm-up. It shows what a student brings to the first green.',
  'tape list': 'Tape list: where each tee goes, measured from the ball marker.',
  'as measured':
    'As measured: what the tape measured once the tees were in. Putts are scored on that, not on the plan.',
  strictness: 'Strictness: what the gate allows compared with what the hole allows.',
  'start line':
    'Start line: the direction in which the ball leaves, compared with the intended line.',
  'face angle': 'Face angle: where the face points at impact, compared with the intended line.',
  strike: 'Strike: where on the face the ball is hit, towards the heel or the toe.',
  path: 'Path: the direction in which the putter head travels through the ball.',
  pace: 'Pace: how far a putt would roll, compared with how far it was meant to.',
} as const;

export type GlossaryTerm = keyof typeof GLOSSARY;

/** docs/glossary.md, from the same words. */
export const glossaryPage = (): string =>
  [
    '# Glossary',
    '',
    'The terms used on the screens. Tap an underlined term there to see the same words. Written by `npm run formats`.',
    '',
    ...Object.values(GLOSSARY)
      .map((line) => line.split(': ') as [string, ...string[]])
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([name, ...means]) => `- **${name}**: ${means.join(': ')}`),
    '',
  ].join('\n');
