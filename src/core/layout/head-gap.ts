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
