import { finding, type Finding, type Setting } from './element';

/** Air each side under which a putter gate is mostly luck, m. */
const LEAST_CLEARANCE = 0.001;

/** What is wrong or unwise in the air a putter head is given. */
export function headGapFindings(field: string, clearance: number, { player }: Setting): Finding[] {
  const across = (metres: number) => ({ metres, kind: 'across' as const });
  if (clearance < 0) {
    return [
      finding(
        'error',
        field,
        'A gap of {gap} is narrower than the head: at least {head} is needed.',
        { gap: across(player.headLength + 2 * clearance), head: across(player.headLength) },
      ),
    ];
  }
  if (clearance < LEAST_CLEARANCE) {
    return [
      finding('warning', field, 'Only {air} of air each side: a clear stroke is mostly luck.', {
        air: across(clearance),
      }),
    ];
  }
  return [];
}

/** Limits that all putter gates share, m. */
export const HEAD_LIMITS = {
  clearance: { min: 0, max: 0.06 },
  shank: { min: 0.002, max: 0.012 },
} as const;

/** The numbers that all putter gates ask for. */
export const HEAD_FIELDS = [
  {
    type: 'length',
    name: 'clearance',
    label: 'Air each side',
    what: 'Air',
    hint: 'between the square head and a tee',
    kind: 'across',
    ...HEAD_LIMITS.clearance,
  },
  {
    type: 'length',
    name: 'shank',
    label: 'Tee shank',
    what: 'A tee shank',
    kind: 'across',
    ...HEAD_LIMITS.shank,
  },
] as const;
