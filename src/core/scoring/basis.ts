import { quantities } from '@/core/quantity';
import type { ByQuantity } from './by-quantity';
import type { Measured, Term } from './terms';

/** Putts that say something of each quantity. */
export type Basis = ByQuantity<number>;

/** The basis of no putts. */
export const noBasis = (): Basis =>
  Object.fromEntries(quantities().map(({ id }) => [id, 0])) as Basis;

/** Two bases together. */
export const addBasis = (one: Basis, other: Basis): Basis =>
  Object.fromEntries(
    Object.keys(noBasis()).map((id) => [id, (one[id] ?? 0) + (other[id] ?? 0)]),
  ) as Basis;

/** How many putts of some cells say anything of each quantity. */
export function basisOf(cells: readonly { terms: Term[]; count: number }[]): Basis {
  const basis: Partial<Record<string, number>> = noBasis();
  const seen: Record<string, (term: Term) => unknown> = {
    start: ({ start, direct, measured }) => start ?? direct.start ?? read(measured, 'face'),
    face: ({ start, direct, face, measured }) =>
      start ?? direct.start ?? face ?? read(measured, 'face'),
    path: ({ heads, measured }) => heads.some(({ at }) => at !== 0) || read(measured, 'path'),
    strike: ({ heads, direct, measured }) =>
      heads.length > 0 || direct.strike || read(measured, 'strike'),
    pace: ({ pace, direct, measured }) => pace ?? direct.pace ?? read(measured, 'pace'),
    height: ({ height, direct, measured }) => height ?? direct.height ?? read(measured, 'height'),
  };
  for (const { terms, count } of cells) {
    for (const id of Object.keys(basis)) {
      const tells =
        seen[id] ??
        (({ measured, others }: Term) =>
          read(measured, id) || others?.some(({ latent }) => latent === id));
      if (terms.some(tells)) basis[id] = (basis[id] ?? 0) + count;
    }
  }
  return basis as Basis;
}

/** Whether instruments read a quantity. */
export const read = (measured: readonly Measured[] | undefined, id: string): boolean | undefined =>
  measured?.some(({ latent }) => latent === id);
