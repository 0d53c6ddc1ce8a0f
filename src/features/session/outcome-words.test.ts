import { libraryDrill } from '@/core/drill';
import { fitted, loggedElements, type Outcomes } from '@/core/layout';
import { STANDARD_FITTING } from '@/core/people';
import { fileName } from '../shared/file-name';
import { outcomeWords, passWord, primaryOutcomes } from './outcome-words';

const layoutOf = (key: string) => libraryDrill(key)!.layout;
const three = layoutOf('three-in-one');
const happened = (ball: string, putter: string, zone: string): Outcomes => ({
  putterGate1: putter,
  ballGate2: ball,
  paceZone3: zone,
});

describe('what is logged', () => {
  it('has its large keys at the element that tests the start line, wherever it stands', () => {
    const { primary, others } = loggedElements(three);
    expect(primary!.kind).toBe('ballGate');
    expect(others.map(({ kind }) => kind)).toEqual(['putterGate', 'paceZone']);
    expect(loggedElements(layoutOf('just-past')).primary!.kind).toBe('paceZone');
  });

  it('is told element by element, in the player’s hand', () => {
    const putts = [
      happened('clear', 'clear', 'in'),
      happened('left', 'left', 'in'),
      happened('right', 'clear', 'long'),
    ];
    expect(outcomeWords(three, putts)).toEqual([
      '1 at the left tee, 1 at the right',
      '2 clear, 1 heel',
      '2 in the zone, 1 long',
    ]);
    const lefty = fitted(three, { ...STANDARD_FITTING, hand: 'left' });
    expect(outcomeWords(lefty, putts)[1]).toBe('2 clear, 1 toe');
    expect(primaryOutcomes(three, putts).map(({ id }) => id)).toEqual(['clear', 'left', 'right']);
  });

  it.each([
    ['straight-gate', 'clear'],
    ['box-gate', 'clear'],
    ['three-in-one', 'passed'],
    ['four-round', 'holed'],
    ['just-past', 'passed'],
  ])('calls a good putt of %s %s', (key, word) => expect(passWord(layoutOf(key))).toBe(word));
});

describe('the name of a file', () => {
  it.each([
    ['Three in one, Oona Brandt', 'three-in-one-oona-brandt.pdf'],
    ['  Straße / Moat: "x"  ', 'strae-moat-x.pdf'],
    ['???', 'dirigo.pdf'],
  ])('%p', (words, name) => expect(fileName(words, 'pdf')).toBe(name));
});
