import { elementOf, traitsOf, type Layout } from '@/core/layout';

/** What stands on it: "putter gate, ball gate and pace zone". */
export function drillWords({ elements }: Layout): string {
  const names = elements
    .filter(({ kind }) => !traitsOf(kind).fixed)
    .map(({ kind }) => elementOf(kind).name.toLowerCase());
  const counted = [...new Set(names)].map((name) => {
    const count = names.filter((one) => one === name).length;
    return count === 1 ? name : `${count} ${name}s`;
  });
  const single = names.length === 1 ? 'one ' : '';
  const last = counted.pop();
  if (!last) return 'just the ball';
  return counted.length === 0 ? `${single}${last}` : `${counted.join(', ')} and ${last}`;
}
