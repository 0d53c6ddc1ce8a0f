import { standing, type Layout } from '@/core/layout';
import { isQuantity } from '@/core/quantity';
import type { Basis } from '@/core/scoring';

/** A run as far as what it trains goes. */
interface Trains {
  layout: Layout;
  putts: readonly { measured?: Readonly<Record<string, unknown>> }[];
}

/**
 * Returns the skills that some runs train, those of what stands first, and then what instruments read there.
 *
 * @param runs of a session, in order
 * @param basis putts that say something of each quantity; what a drill trains is named even where none does
 */
export function trainedIn(runs: readonly Trains[], basis: Basis | undefined): string[] {
  const trained = runs.flatMap(({ layout }) => standing(layout).map(({ trains }) => trains));
  const read = runs
    .flatMap(({ putts }) => putts.flatMap(({ measured = {} }) => Object.keys(measured)))
    .filter((id) => (basis?.[id] ?? 0) > 0);
  return [...new Set([...trained, ...read])].filter((id) => isQuantity(id));
}
