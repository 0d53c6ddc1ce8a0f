import { t } from 'tests/english';
import { DEGREE } from '@/core/units';
import { beatWords, isRuled, measuredWords, readBy, valuesTold } from './measured-words';

const by = 'Rail';
const MEASURED = {
  leadFoot: { value: 0.58, by: 'Plate' },
  face: { value: 0.5 * DEGREE, by },
  start: { value: -0.4 * DEGREE, by },
  strike: { value: 0.003, by },
};

test('what was read is told in the order of the register, in the words of the hand', () => {
  expect(valuesTold(MEASURED, 'right').map(({ id }) => id)).toEqual([
    'start',
    'face',
    'strike',
    'leadFoot',
  ]);
  expect(measuredWords(MEASURED, 'right')).toBe(
    'Start line 0.4° pull, Face 0.5° open, Strike 3.0 mm heel, Weight on the lead foot 58 %',
  );
  expect(measuredWords(MEASURED, 'left')).toBe(
    'Start line 0.4° push, Face 0.5° closed, Strike 3.0 mm toe, Weight on the lead foot 58 %',
  );
});

test('what a later version read and this one does not know is passed over', () => {
  const strange = { ...MEASURED, sparkle: { value: 1, by: 'Unheard of' } };
  expect(measuredWords(strange, 'right')).toBe(measuredWords(MEASURED, 'right'));
  expect(readBy(strange)).toBe('Plate, Rail');
});

test('the ball’s line and the strike come first', () => {
  expect(['start', 'face', 'path', 'strike', 'rise', 'leadFoot'].map(isRuled)).toEqual([
    ...[true, true, true, true],
    ...[false, false],
  ]);
});

test('a stroke is held against the beat in words', () => {
  expect(beatWords(t, { back: 0.067, through: -0.017 })).toBe('back 0.07 s slow, through on time');
  expect(beatWords(t, { back: -0.1, through: 0.2 })).toBe('back 0.10 s quick, through 0.20 s slow');
});
