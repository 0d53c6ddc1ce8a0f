import {
  COMMON_KIT,
  KIT,
  KIT_IDS,
  STANDARD_FITTING,
  fittingOf,
  fittingSchema,
  headEnd,
  kitSchema,
  kitWords,
  sideOfEnd,
  studentValues,
} from '.';

describe('the ends of a head', () => {
  it('has the heel on the player’s side: left of the line for a right-hander', () => {
    expect(headEnd('left', 'right')).toBe('heel');
    expect(headEnd('right', 'right')).toBe('toe');
    expect(headEnd('left', 'left')).toBe('toe');
  });

  it('leads back from the end to its side', () => {
    for (const hand of ['right', 'left'] as const) {
      for (const side of ['left', 'right'] as const) {
        expect(sideOfEnd(headEnd(side, hand), hand)).toBe(side);
      }
    }
  });
});

describe('what a layout knows of a student', () => {
  const student = studentValues.parse({
    name: 'Wren',
    hand: 'left',
    level: 'steady',
    seated: true,
    notes: 'private',
    putter: { headLength: 0.1, headDepth: 0.03 },
  });

  it('is what changes where tees go or what words are, and no more', () => {
    const fitting = fittingOf(student);
    expect(fittingSchema.parse(fitting)).toEqual(fitting);
    expect(fitting).toEqual({
      hand: 'left',
      headLength: 0.1,
      headDepth: 0.03,
      lieAngle: STANDARD_FITTING.lieAngle,
      school: 'arc',
      seated: true,
    });
    expect(JSON.stringify(fitting)).not.toContain('private');
  });

  it('takes an older student, who has neither path nor kit, for a common one', () => {
    expect(student.school).toBe('arc');
    expect(student.kit).toEqual(COMMON_KIT);
  });

  it.each([
    ['headLength', 0.5],
    ['lieAngle', 0.2],
    ['hand', 'both'],
  ])('refuses a %s of %p', (name, value) => {
    expect(fittingSchema.safeParse({ ...STANDARD_FITTING, [name]: value }).success).toBe(false);
  });
});

describe('kit', () => {
  it('has a word for one and for many of everything', () => {
    for (const id of KIT_IDS) {
      expect(kitWords(id, 1)).toBe(`1 ${KIT[id].one}`);
      expect(kitWords(id, 3)).toBe(`3 ${KIT[id].many}`);
      expect(KIT[id].many).not.toBe(KIT[id].one);
    }
    expect(kitSchema.safeParse(['windmill']).success).toBe(false);
  });
});
