/** Words of art, each with what it means in a sentence or two: for the touch on the word, and for docs/glossary.md. */
export const GLOSSARY = {
  window: 'Window: 8 of 10 putts fall inside it. Smaller is better.',
  bias: 'Bias: where the middle of the putts lies, against what was meant.',
  spread: 'Spread: how far putts scatter around their own middle.',
  '80 % interval':
    '80 % interval: what the putts allow. We would bet four to one that the true value lies in it.',
  rung: 'Rung: one step of a drill’s ladder, from easy to hard.',
  ladder: 'Ladder: the same drill made harder step by step, by a narrower gate or a longer putt.',
  'make map': 'Make map: which starts, by direction and speed, are holed on this putt.',
  'make window': 'Make window: how far off line a putt may start and still be holed.',
  'usable hole width':
    'Usable hole width: the share of the hole that takes a ball at this pace. A firm ball needs the middle.',
  'aim marker':
    'Aim marker: where the putt has to start over, beside the hole on a putt that breaks.',
  cold: 'Cold: before any warm-up, each putt once. It shows what a player brings to the first green.',
  'tape list': 'Tape list: what goes where, measured from the ball mark.',
  'as built':
    'As built: what the tape said once it stood. Putts are scored on that, not on the plan.',
  strictness: 'Strictness: what the gate lets through, against what the hole does.',
  'start line': 'Start line: the direction in which the ball leaves, against the line meant.',
  'face angle': 'Face angle: where the face points at impact, against the line meant.',
  strike: 'Strike: where on the face the ball is met, towards the heel or the toe.',
  path: 'Path: the direction in which the head travels through the ball.',
  pace: 'Pace: how far a putt would run, against how far it was meant to.',
} as const;

export type GlossaryTerm = keyof typeof GLOSSARY;

/** docs/glossary.md, from the same words. */
export const glossaryPage = (): string =>
  [
    '# Glossary',
    '',
    'The words of art that stand on the screens; a touch on an underlined one there says the same. Written by `npm run formats`.',
    '',
    ...Object.values(GLOSSARY)
      .map((line) => line.split(': ') as [string, ...string[]])
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([name, ...means]) => `- **${name}**: ${means.join(': ')}`),
    '',
  ].join('\n');
