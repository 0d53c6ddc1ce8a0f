import {
  RULED,
  biasOf,
  changeWords,
  windowSince,
  endsOf,
  ruledBias,
  showAmount,
  showInterval,
  skillBias,
  skillBiasInterval,
} from './skill-words';

describe('the words of a skill', () => {
  it('are mirrored for the other hand, but not those of pace', () => {
    for (const skill of RULED) {
      const [right, left] = [endsOf(skill, 'right'), endsOf(skill, 'left')];
      if (skill === 'pace') expect(left).toEqual(right);
      else expect(left).toEqual({ left: right.right, right: right.left });
    }
    expect(endsOf('strike', 'right')).toEqual({ left: 'heel', right: 'toe' });
  });

  it('have the unit of the skill', () => {
    expect(showAmount('start', -0.0141)).toBe('0.81°');
    expect(showAmount('strike', 0.0062)).toBe('6.2 mm');
    expect(showAmount('pace', 0.094)).toBe('9 %');
    const mm = { low: 0.0062, middle: 0.008, high: 0.0093 };
    expect(showInterval('strike', mm)).toBe('6.2 to 9.3 mm');
    expect(showInterval('path', mm)).toBe('0.36° to 0.53°');
  });

  it('say a bias and its interval, or that there is none', () => {
    expect(skillBias('path', 0.04, 'right')).toBe('2.3° in-to-out');
    expect(skillBias('path', 0.04, 'left')).toBe('2.3° out-to-in');
    expect(skillBias('pace', -0.06, 'left')).toBe('6 % short');
    expect(skillBias('face', 0.0003, 'right')).toBe('no bias');
    const one = { low: 0.002, middle: 0.004, high: 0.006 };
    expect(skillBiasInterval('strike', one, 'right')).toBe('2.0 mm to 6.0 mm toe');
    const across = { low: -0.03, middle: 0.01, high: 0.05 };
    expect(skillBiasInterval('pace', across, 'right')).toBe('3 % short to 5 % long');
  });

  it('show the strike as the face shows it: where the ball was met', () => {
    const head = { low: 0.001, middle: 0.002, high: 0.004 };
    expect(ruledBias('strike', head)).toEqual({ low: -0.004, middle: -0.002, high: -0.001 });
    expect(ruledBias('path', head)).toEqual(head);
  });

  it('leave the side open where nothing told right from left', () => {
    const bias = { low: -0.012, middle: 0.001, high: 0.009 };
    expect(biasOf('start', { bias, side: 'unknown' }, 'right')).toEqual({
      words: 'side unknown',
      // 0.012 rad are 0.69°.
      interval: 'up to 0.7° either way',
    });
    const known = biasOf('start', { bias: { ...bias, middle: 0.007 } }, 'left');
    expect(known.words).toBe('0.4° pull');
  });

  it('say a change only when it is likelier than not', () => {
    const change = (middle: number, smaller: number, measure = false) =>
      changeWords({ ratio: { low: 0.9 * middle, middle, high: 1.1 * middle }, smaller, measure });
    expect(change(0.72, 0.97)).toBe('28 % smaller (97 % sure)');
    expect(change(1.31, 0.02)).toBe('31 % wider (98 % sure)');
    expect(change(0.9, 0.85)).toBe('no clear change');
    expect(change(0.8, 0.85, true)).toBe('it looks 20 % smaller; measure the gap to be sure');
  });

  it('say in a sentence what a window does', () => {
    const since = (middle: number, smaller: number, measure = false) =>
      `the window ${windowSince({ ratio: { low: 0.9 * middle, middle, high: 1.1 * middle }, smaller, measure })}`;
    expect(since(0.72, 0.97)).toBe('the window is 28 % smaller (97 % sure)');
    expect(since(0.9, 0.85)).toBe('the window shows no clear change');
    expect(since(0.8, 0.85, true)).toBe(
      'the window looks 20 % smaller; measure the gap to be sure',
    );
  });
});
