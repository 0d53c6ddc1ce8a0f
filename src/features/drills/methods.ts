import { LIBRARY, ruleTraits, ruleWords, type LibraryDrill } from '@/core/drill';
import { layoutKit, standing, type Standing } from '@/core/layout';
import { quantityOf } from '@/core/quantity';
import { DEFAULT_UNITS } from '@/core/units';
import { drillWords } from './drill-words';
import { showLength } from '@/core/units';

/** What an element asks to be logged, as its keys say it. */
const logged = (element: Standing): string => {
  const labels = [...new Set(element.outcomes().map(({ label }) => label))];
  const shown = labels.slice(0, 5).join(', ');
  const { on } = element.pointing ?? {};
  const pointed = on === 'clock' ? ', and timed' : on ? ', or tapped on the picture' : '';
  return `${element.asks}: ${shown}${labels.length > 5 ? ' …' : ''}${pointed}`;
};

/** What of the player an element's outcomes speak of. */
function speaksOf(element: Standing): string[] {
  const names = (ids: Iterable<string>) =>
    [...new Set(ids)].map((id) => quantityOf(id).name.toLowerCase());
  const said = element.outcomes().flatMap(({ id }) => [
    ...element.reads(id).map(({ quantity }) => quantity),
    ...element.evidence(id).flatMap((evidence): string[] => {
      switch (evidence.quantity) {
        case 'roll':
          return ['start', 'pace'];
        case 'mark':
          return ['strike', 'height'];
        case 'head':
          return evidence.at === 0 ? ['strike'] : ['strike', 'path'];
        case 'other':
          return [evidence.id];
        default:
          return [evidence.quantity];
      }
    }),
  ]);
  return [
    ...names(said),
    ...(element.traits.byEye && !element.traits.asksRead && !element.traits.spread
      ? ['how often it happens, over the weeks']
      : []),
    ...(element.backstroke === null ? [] : ['the backstroke table']),
  ];
}

function row(drill: LibraryDrill): string {
  const elements = standing(drill.layout).filter((element) => element.outcomes().length > 0);
  const { guesses, compares, cold } = ruleTraits(drill.rule);
  const changes = [
    ...new Set([
      ...elements.flatMap(speaksOf),
      ...(guesses ? ['feel'] : []),
      ...(compares ? ['the trial verdict'] : []),
      ...(cold ? ['cold compared with warm'] : []),
      ...(drill.manners.length > 0 ? ['other strokes, kept separate'] : []),
    ]),
  ];
  const kit = layoutKit(drill.layout)
    .map(({ name, count }) => `${count} ${name}`)
    .join(', ');
  const cells = [
    `${drill.name} (\`${drill.key}\`)`,
    [
      `${showLength(drill.layout.putt.distance, 'putt', DEFAULT_UNITS)}, ${drillWords(drill.layout)}`,
      kit,
    ]
      .filter(Boolean)
      .join('; '),
    elements.map(logged).join('; '),
    ruleWords(drill.rule),
    changes.join(', '),
  ];
  return `| ${cells.map((cell) => cell.replaceAll('|', '/')).join(' | ')} |`;
}

/** docs/methods.md: every method, how it is set, what is logged, when it is done, and what it changes. */
export const methodsPage = (): string =>
  [
    '# Methods',
    '',
    'Every built-in drill: how it is set up, what is logged, when it is done, and what it changes about the player. Written from the',
    'library by `npm run formats`. Each one is started, set up, putted, finished and reviewed on the real screens by',
    '`e2e/methods.spec.ts`. Methods with a test of their own are listed below the table.',
    '',
    '| drill | set-up | logged | done when | changes |',
    '| --- | --- | --- | --- | --- |',
    ...LIBRARY.map(row),
    '',
    '## Methods that are not drills',
    '',
    '| method | where | what it changes | browser test |',
    '| --- | --- | --- | --- |',
    ...BESIDE.map((cells) => `| ${cells.join(' | ')} |`),
    '',
    '## Common complaints and where they are answered',
    '',
    '| complaint | answered by |',
    '| --- | --- |',
    ...ANSWERED.map((cells) => `| ${cells.join(' | ')} |`),
    '',
  ].join('\n');

const BESIDE = [
  [
    'Set-up card: grip, pressure, stance, ball, eyes, weight, posture, head, sole',
    'under the tape list; the student’s Set-up page',
    'the checklist, what fits, and changes in the trends',
    '`set-up.spec.ts`',
  ],
  [
    'Did the change work?',
    'the student’s Set-up page',
    'before and since, skill by skill',
    '`set-up.spec.ts`',
  ],
  [
    'Several putters, with hints on length, lie and loft',
    'the student’s Set-up page',
    'the fitting that layouts use',
    '`set-up.spec.ts`',
  ],
  [
    'A trial in randomly ordered sets',
    '`trial-putters`, `trial-grips`',
    'its verdict',
    '`trial.spec.ts`',
  ],
  ['Stroke metronome', 'More menu, while logging', 'nothing (it is only heard)', '`trial.spec.ts`'],
  [
    'A photo as a tape measure',
    'More menu, while logging; As measured',
    'gap as measured, face, eyes on the set-up card, where the ball stopped',
    '`photo.spec.ts`',
  ],
  [
    'Aim told apart from the stroke',
    '`aim-string`, `aim-coin`, `overhead-rod`',
    'aim and what the stroke adds',
    '`aim.spec.ts`',
  ],
  ['The read, called before the putt', '`read-first`, `read-only`', 'reading', '`reading.spec.ts`'],
  [
    'The next spot',
    '`next-spot`, `routine-kept`',
    'spots, with missed ones sooner',
    '`reading.spec.ts`',
  ],
  [
    'The routine, kept or broken',
    '`routine-kept`',
    'how often it is kept, and whether that helps',
    '`words.spec.ts`',
  ],
  [
    'Homework messages, with a picture and an answer',
    'the student’s own page; Homework; Today',
    'messages waiting for an answer',
    '`words.spec.ts`',
  ],
];

const ANSWERED = [
  [
    'I can’t tell whether I hit it crooked or aimed it crooked.',
    'Aim and stroke, on the student’s page',
  ],
  [
    'My gate was too hard and I lost heart.',
    'the rung at the right difficulty; a “too hard” message while logging; the next gate for 7 in 10',
  ],
  [
    'Any further apart and it proves nothing.',
    'the make window beside the gate in the designer, and what the gate lets through',
  ],
  [
    'I don’t know how hard this gate is compared with last week’s.',
    'every gate in degrees; all sessions on one ruler, whatever the gate was',
  ],
  ['I lost count.', 'the rule counts in large figures while logging'],
  [
    'I practised for an hour and can’t say what got better.',
    'the review, with what is new; the trend, with how sure it is',
  ],
  ['He says he practises.', 'homework: days done each week, messages, and what changed since'],
  [
    'The green is full, there is no free hole.',
    'drills for a busy green, without a hole; filters by place',
  ],
  [
    'Their greens are twice as fast as ours, I ran 3 m past.',
    'greens and their measured speeds; every layout follows the speed of the day',
  ],
  [
    'I won’t buy a training aid.',
    'a substitute for each piece of kit; drills by the kit available',
  ],
  ['I only know one drill for this.', 'drills by skill and by miss'],
  [
    'She is left-handed and every picture is the wrong way round.',
    'layouts, keys and text that follow the player’s hand',
  ],
  [
    'I had it on the practice green and lost it on the course.',
    'cold tests, cold compared with warm, rules with a cost, new spots',
  ],
];
