import { DEFAULT_UNITS } from '@/core/units';
import { newStudent, type StudentInput } from './form';
import { FORM_PARTS, compareForms, valueAt } from './form-merge';

const opened: StudentInput = { ...newStudent(DEFAULT_UNITS), name: 'Oona', notes: '' };
const changed = (part: Partial<StudentInput>): StudentInput => ({ ...opened, ...part });

describe('a form whose student another changed meanwhile', () => {
  it('takes over what only the other changed, and keeps what only the writer did', () => {
    const mine = changed({ level: 'advanced' });
    const theirs = changed({ notes: 'Heart.', putter: { ...opened.putter, lieAngle: '72°' } });
    expect(compareForms(opened, mine, theirs)).toEqual({
      taken: ['putter.lieAngle', 'notes'],
      both: [],
    });
  });

  it('asks where both changed the same, unless to the same', () => {
    const mine = changed({ notes: 'Mine.', kit: ['tee'], hand: 'left' });
    const theirs = changed({ notes: 'Theirs.', kit: ['tee'], hand: 'left' });
    expect(compareForms(opened, mine, theirs)).toEqual({ taken: [], both: ['notes'] });
  });

  it('never loses a note: an emptied one of theirs does not take a written one of mine', () => {
    const before = changed({ notes: 'Bad wrist.' });
    const mine = { ...before, notes: 'Bad wrist since May.' };
    const theirs = { ...before, notes: '' };
    expect(compareForms(before, mine, theirs).both).toEqual(['notes']);
  });

  it('looks at every part that can be typed', () => {
    const parts = Object.keys(FORM_PARTS) as (keyof typeof FORM_PARTS)[];
    const { putter, ...rest } = opened;
    expect(parts.map((part) => part.split('.').at(-1)).toSorted()).toEqual(
      [...Object.keys(rest), ...Object.keys(putter)].toSorted(),
    );
    for (const part of parts) expect(valueAt(opened, part)).toBeDefined();
  });
});
