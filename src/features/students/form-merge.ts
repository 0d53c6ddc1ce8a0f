import type { StudentInput } from './form';

/** The parts of a student's form, by the path of their field, in the order in which they stand. */
export const FORM_PARTS = {
  name: 'Name',
  hand: 'Hand',
  seated: 'Posture',
  level: 'Level',
  'putter.headLength': 'Putter head, heel to toe',
  'putter.headDepth': 'Putter head, front to back',
  'putter.lieAngle': 'Lie angle',
  school: 'Preferred stroke',
  kit: 'Kit available',
  groups: 'Groups',
  notes: 'Notes',
} as const;
export type FormPart = keyof typeof FORM_PARTS;
const PARTS = Object.keys(FORM_PARTS) as FormPart[];

type Value = string | boolean | string[];

/** What stands in one part of a form. */
export function valueAt(form: StudentInput, part: FormPart): Value {
  const { putter, ...rest } = form;
  switch (part) {
    case 'putter.headLength':
      return putter.headLength;
    case 'putter.headDepth':
      return putter.headDepth;
    case 'putter.lieAngle':
      return putter.lieAngle;
    default:
      return rest[part] ?? '';
  }
}

/** What becomes of a form whose student another changed meanwhile. */
export interface Merged {
  /** Parts that only the other changed: they are taken over. */
  taken: FormPart[];
  /** Parts that both changed, each otherwise: the one who writes says which stays. */
  both: FormPart[];
}

/**
 * Compares three states of a form, part by part.
 *
 * @param opened as it was opened
 * @param mine as it stands
 * @param theirs as another has saved it since
 */
export function compareForms(
  opened: StudentInput,
  mine: StudentInput,
  theirs: StudentInput,
): Merged {
  const same = (a: StudentInput, b: StudentInput, part: FormPart) =>
    JSON.stringify(valueAt(a, part)) === JSON.stringify(valueAt(b, part));
  const changed = PARTS.filter((part) => !same(opened, theirs, part) && !same(mine, theirs, part));
  return {
    taken: changed.filter((part) => same(opened, mine, part)),
    both: changed.filter((part) => !same(opened, mine, part)),
  };
}
