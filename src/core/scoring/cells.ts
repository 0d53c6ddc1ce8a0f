import { isUsual, type Putt } from '@/core/drill';
import { spotKey, type Layout } from '@/core/layout';
import { quantities } from '@/core/quantity';
import { read } from './basis';
import { Stands } from './ground';
import { saidOf } from './said';
import type { Term } from './terms';

/**
 * Putts of which the same is said. What is said is a sum of terms that exclude each other: a ball that was holed was sent
 * at one of some paces, each with its own window of starts.
 */
export interface Cell {
  terms: Term[];
  count: number;
}

/** Putts on one layout. */
export interface LoggedRun {
  layout: Layout;
  putts: readonly Putt[];
  /** When it was set up: runs of one name share how their tees really stood. Each for itself when left out. */
  stand?: string;
}

/** A run, or some putts of one, that nothing can be said of, and why. */
export interface Unscored {
  /** Place of the run among those asked for. */
  run: number;
  putts: number;
  reason: string;
}

/** What some putts say: cells, the stands whose real measures they share, and what could not be scored. */
export interface Findings {
  cells: Cell[];
  /** Whether the opening of each was measured once it stood. */
  stands: { measured: boolean }[];
  /** Instruments and what each read: how one stands is not known, and lasts. */
  mounts: string[];
  unscored: Unscored[];
}

/** Quantities that putts struck in some way tell of though they are no usual ones. */
const toldBy = (manner: Putt['manner']): string[] =>
  quantities().flatMap((one) => (one.manner === manner ? [one.id] : []));

/** Whether terms tell of some quantities, and of nothing else. */
const tellOnlyOf = (terms: readonly Term[], of: readonly string[]): boolean =>
  terms.every(({ others = [], measured = [] }) => {
    const told = [...others, ...measured];
    return told.length > 0 && told.every(({ latent }) => of.includes(latent));
  });

/**
 * What the putts of some runs say, those that say the same counted together. Each putt is taken where it was made, and only
 * when it was struck as usual, but for what is told by its own way of striking. Measured numbers of a layout stand in place of
 * the planned ones, since its elements know them. What cannot be scored is set aside with its reason; nothing of it harms the
 * rest.
 *
 * @param runs layouts with what happened on each putt
 * @param any takes putts of every manner, for comparing one with another
 */
export function findingsOf(runs: readonly LoggedRun[], any = false): Findings {
  const cells = new Map<string, Cell>();
  const cellOf = (terms: Term[]): Cell => {
    const what = JSON.stringify(terms, infinities);
    const cell = cells.get(what) ?? { terms, count: 0 };
    cells.set(what, cell);
    return cell;
  };
  const shared = new Stands();
  /** Putts that instruments have read, set-up by set-up. */
  const measured = new Map<string, number>();
  const unscored = runs.flatMap(({ layout, putts, stand }, run): Unscored[] => {
    const name = stand ?? `run ${run}`;
    const groundAt = shared.groundsOf(layout, name);
    const known = new Map<string, Cell[]>();
    const refused = new Map<string, number>();
    for (const putt of putts) {
      const usual = any || isUsual(putt.manner);
      const apart = usual ? [] : toldBy(putt.manner);
      if (!usual && apart.length === 0) continue;
      const key = sameAs(putt, usual);
      let all = key === null ? undefined : known.get(key);
      if (all === undefined) {
        try {
          const before = measured.get(name) ?? 0;
          const said = saidOf(groundAt(putt.place), putt, before);
          if (putt.measured) measured.set(name, before + 1);
          all = (usual ? said : said.filter((terms) => tellOnlyOf(terms, apart))).map(cellOf);
        } catch (error) {
          const reason = error instanceof Error ? error.message : String(error);
          refused.set(reason, (refused.get(reason) ?? 0) + 1);
          continue;
        }
        if (key !== null) known.set(key, all);
      }
      for (const cell of all) cell.count += 1;
    }
    return [...refused].map(([reason, count]) => ({ run, putts: count, reason }));
  });
  const { stands, mounts } = shared;
  return { cells: [...cells.values()], stands, mounts, unscored };
}

/** What putts of a run have in common that say the same; none for one that was read off or filled in, which says its own. */
function sameAs(
  { points = {}, measured, filled = [], manner, place, outcomes }: Putt,
  usual: boolean,
) {
  if (Object.keys(points).length > 0 || measured || filled.length > 0) return null;
  return `${usual ? '' : manner} ${place ? spotKey(place) : 'own'} ${JSON.stringify(outcomes)}`;
}

/** JSON knows no infinity. */
const infinities = (_key: string, value: unknown): unknown =>
  value === Infinity ? 'more' : value === -Infinity ? 'less' : value;

/**
 * Whether putts that missed are told of without their side, and none with it: holed or missed does not tell a player who
 * pushes from one who pulls.
 */
export function hidesSide(cells: readonly Cell[]): boolean {
  let hidden = false;
  for (const { terms } of cells) {
    if (terms.some(({ direct, measured }) => direct.start ?? read(measured, 'face'))) return false;
    const starts = terms.flatMap(({ start, face }) => start ?? face ?? []);
    const left = starts.some(({ lower }) => lower.at === -Infinity);
    const right = starts.some(({ upper }) => upper.at === Infinity);
    if (left !== right) return false;
    if (left && starts.every(({ lower, upper }) => lower.at > -Infinity || upper.at < Infinity)) {
      hidden = true;
    }
  }
  return hidden;
}
