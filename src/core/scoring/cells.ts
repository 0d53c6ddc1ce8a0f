import { isUsual, type Putt } from '@/core/drill';
import { PUTT_RANGE } from '@/core/green';
import {
  isMeasured,
  layoutAt,
  settingOf,
  spotKey,
  standing,
  type Direct,
  type Evidence,
  type Layout,
  type PuttPlace,
  type Standing,
} from '@/core/layout';
import { placedEvidence, type Placed } from './evidence';
import { anywhere, areasOf, boundsOf, cut, open, within, type Said, type Term } from './terms';

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
  unscored: Unscored[];
}

/** Directions beyond this are no start of a putt, rad; nobody rolls a putt so many times its way. */
const SANE = { start: 1.2, pace: 20, strike: 0.1, height: 0.05 } as const;

/** Readings of one kind to half of their error: what is finer is hardly knowledge, and equal ones are counted together. */
const settled = ({ value, error }: { value: number; error: number }) => {
  const step = error / 2;
  return { value: Math.round(value / step) * step, error };
};

type Mark = Extract<Evidence, { quantity: 'mark' }>;

/** One layout at one spot, with what is known of its elements. */
interface Ground {
  elements: Standing[];
  paceOf(past: number): number;
  said(element: Standing, outcome: string): Placed;
  standOf(element: Standing): number;
}

const finite = (name: string, value: number): number => {
  if (Number.isNaN(value)) throw new RangeError(`The ${name} of a putt came out as no number.`);
  return value;
};

/** What was read off a picture, in the units of the latents; what is beyond belief is left out. */
function readingsOf({ elements, paceOf }: Ground, { outcomes, points = {} }: Putt): Direct[] {
  return elements.flatMap((element) => {
    const spot = points[element.id];
    const outcome = outcomes[element.id];
    // A ball that hit the rim went on otherwise than it came.
    if (!spot || !element.pointing || outcome === undefined || outcome === 'lip') return [];
    const { within: reach } = element.pointing;
    if (Math.abs(spot.along) > reach.along || Math.abs(spot.across) > reach.across) return [];
    return element.pointing.says(spot).flatMap((read): Direct[] => {
      const asShare =
        read.quantity === 'pace'
          ? {
              quantity: read.quantity,
              value: paceOf(read.value),
              error: paceOf(read.value + read.error) - paceOf(read.value),
            }
          : read;
      const { value, error } = asShare;
      if (!(error > 0) || !(Math.abs(value) < SANE[read.quantity])) return [];
      return [{ quantity: read.quantity, ...settled(asShare) }];
    });
  });
}

/**
 * What one putt says; null when nothing. Gates on one putt are true at once; a ball that a tee has turned can meet what its
 * start would not have, and then only the first thing it met counts.
 */
function cellOf(ground: Ground, putt: Putt): Term[] | null {
  const term: Term = { heads: [], direct: {} };
  const rolls: Said[] = [];
  const marks: Mark[] = [];
  const readings = readingsOf(ground, putt);
  let turned = false;
  for (const element of ground.elements) {
    const outcome = putt.outcomes[element.id];
    if (outcome === undefined) continue;
    if (element.trains === 'start' && outcome !== 'clear') turned = true;
    const { evidence, by } = ground.said(element, outcome);
    const stand = ground.standOf(element);
    evidence.forEach((one, i) => {
      const said: Said = { evidence: one, by: by[i]!, stand };
      if (one.quantity === 'roll') rolls.push(said);
      else if (one.quantity === 'mark') marks.push(one);
      else add(term, said, readings);
    });
  }
  for (const { quantity, value, error } of readings) {
    // What a tee has turned lies elsewhere than its start would have taken it; one who looks at the face has a better tale.
    if (quantity === 'start' && (turned || term.face)) continue;
    term.direct[quantity] = { value: finite(quantity, value), error };
  }
  // A mark that was read off says more than where it lay roughly.
  const rough = marks.filter(() => !isRead('strike', readings));
  const terms = withMarks(withRolls(term, rolls), rough);
  return terms.some(says) ? terms : null;
}

/** Whether an outcome only says roughly what was read off. */
const isRead = (quantity: 'pace' | 'strike' | 'height', readings: Direct[]): boolean =>
  readings.some((read) => read.quantity === quantity);

function add(term: Term, said: Said, readings: Direct[]): void {
  const { evidence } = said;
  if (evidence.quantity === 'roll' || evidence.quantity === 'mark') return;
  finite(evidence.quantity, evidence.lower);
  finite(evidence.quantity, evidence.upper);
  const bounds = boundsOf(evidence, said);
  switch (evidence.quantity) {
    case 'start':
    case 'face': {
      const both = cut(term[evidence.quantity], bounds);
      if (open(both)) term[evidence.quantity] = both;
      return;
    }
    case 'pace':
    case 'height': {
      if (isRead(evidence.quantity, readings)) return;
      const both = cut(term[evidence.quantity], bounds);
      if (open(both)) term[evidence.quantity] = both;
      return;
    }
    case 'head':
      if (open(bounds) && !(evidence.at === 0 && isRead('strike', readings))) {
        term.heads.push({ at: evidence.at, bounds });
      }
  }
}

/** Errors of a reading beyond which it is not doubted. */
const BEYOND_DOUBT = 5;

/** Start and pace together lay in one of some areas, of each thing that the roll met. */
function withRolls(term: Term, rolls: Said[]): Term[] {
  const seen = term.direct.pace;
  let terms = [term];
  for (const said of rolls) {
    const areas = areasOf(said).filter(
      // A ball seen at rest elsewhere, by far more than the error of seeing, was not of that pace.
      ({ pace }) =>
        !seen ||
        (pace.lower.at < seen.value + BEYOND_DOUBT * seen.error &&
          pace.upper.at > seen.value - BEYOND_DOUBT * seen.error),
    );
    const met = terms.flatMap((one) =>
      areas.flatMap(({ start, pace }): Term[] => {
        const both = { start: cut(one.start, start), pace: cut(one.pace, pace) };
        return open(both.start) && open(both.pace) ? [{ ...one, ...both }] : [];
      }),
    );
    if (met.length > 0) terms = met;
    else if (areas.length > 0) {
      // What the gate saw and the hole do not agree: luck, which says nothing of the start but that it got there.
      const slowest = Math.min(...areas.map(({ pace }) => pace.lower.at));
      const there = cut(term.pace, within(slowest, Infinity));
      if (open(there)) terms = terms.map((one) => ({ ...one, pace: there }));
    }
  }
  return terms.map(({ start, pace, ...rest }) => ({
    ...rest,
    ...(start && start !== anywhere && { start }),
    ...(pace && { pace }),
  }));
}

/** Strike and height together lay in one of some areas of the face. */
const withMarks = (terms: Term[], marks: Mark[]): Term[] =>
  marks.reduce(
    (all, { areas }) =>
      all.flatMap((term) =>
        areas.map(({ strike, height }) => ({
          ...term,
          heads: [...term.heads, { at: 0, bounds: within(...strike) }],
          height: cut(term.height, within(...height)),
        })),
      ),
    terms,
  );

const says = ({ start, face, heads, pace, height, direct }: Term): boolean =>
  !!start || !!face || heads.length > 0 || !!pace || !!height || Object.keys(direct).length > 0;

/**
 * What the putts of some runs say, those that say the same counted together. Each putt is taken where it was made, and only
 * when it was struck as usual. Measured numbers of a layout stand in place of the planned ones, since its elements know
 * them. What cannot be scored is set aside with its reason; nothing of it harms the rest.
 *
 * @param runs layouts with what happened on each putt
 * @param any takes putts of every manner, for comparing one with another
 */
export function findingsOf(runs: readonly LoggedRun[], any = false): Findings {
  const cells = new Map<string, Cell>();
  const stands: Findings['stands'] = [];
  const standAt = new Map<string, number>();
  const unscored: Unscored[] = [];
  runs.forEach(({ layout, putts, stand }, run) => {
    const grounds = new Map<string, Ground>();
    const known = new Map<string, Cell | null>();
    const groundAt = (exact: PuttPlace | undefined): Ground => {
      const place = exact && roughly(exact);
      const key = place ? spotKey(place) : 'own';
      const found = grounds.get(key) ?? groundOf(layout, place, `${stand ?? `run ${run}`} ${key}`);
      grounds.set(key, found);
      return found;
    };
    const groundOf = (at: Layout, place: PuttPlace | undefined, name: string): Ground => {
      const there = place ? layoutAt(at, place) : at;
      if (!there) throw new RangeError(UNKNOWN_PLACE);
      const elements = standing(there);
      return {
        elements,
        paceOf: settingOf(there.putt, there.player).paceOf,
        said: (element, outcome) => placedEvidence(there, element, outcome),
        standOf: (element) => {
          const piece = there.elements.find(({ id }) => id === element.id)!;
          const key = `${name} ${JSON.stringify(piece)}`;
          const index = standAt.get(key) ?? stands.length;
          if (index === stands.length) {
            standAt.set(key, index);
            stands.push({ measured: isMeasured(element, piece) });
          }
          return index;
        },
      };
    };
    const refused = new Map<string, number>();
    for (const putt of putts) {
      if (!any && !isUsual(putt.manner)) continue;
      const bare = !putt.points || Object.keys(putt.points).length === 0;
      const key = `${putt.place ? spotKey(putt.place) : 'own'} ${JSON.stringify(putt.outcomes)}`;
      let cell = bare ? known.get(key) : undefined;
      if (cell === undefined) {
        let terms: Term[] | null = null;
        try {
          terms = cellOf(groundAt(putt.place), putt);
        } catch (error) {
          const reason = error instanceof Error ? error.message : String(error);
          refused.set(reason, (refused.get(reason) ?? 0) + 1);
          continue;
        }
        if (terms) {
          const what = JSON.stringify(terms, infinities);
          cell = cells.get(what) ?? { terms, count: 0 };
          cells.set(what, cell);
        } else cell = null;
        if (bare) known.set(key, cell);
      }
      if (cell) cell.count += 1;
    }
    for (const [reason, count] of refused) unscored.push({ run, putts: count, reason });
  });
  return { cells: [...cells.values()], stands, unscored };
}

/** How near two spots have to lie that were told by touching a picture to be taken as one, m and rad. */
const ALIKE = { distance: 0.05, bearing: 0.05 } as const;

/** A place as it is scored: one that was touched on a picture is not known to the last centimetre. */
function roughly(place: PuttPlace): PuttPlace {
  if (place.again === 0 || !place.spot) return place;
  const to = (value: number, step: number) => Math.round(value / step) * step;
  const distance = Math.max(PUTT_RANGE.min, to(place.spot.distance, ALIKE.distance));
  return { ...place, spot: { distance, bearing: to(place.spot.bearing, ALIKE.bearing) } };
}

const UNKNOWN_PLACE = 'Nobody noted where it was putted from, so it says nothing of the player.';

/** JSON knows no infinity. */
const infinities = (_key: string, value: unknown): unknown =>
  value === Infinity ? 'more' : value === -Infinity ? 'less' : value;

/** Putts that say something of each quantity. */
export interface Basis {
  start: number;
  face: number;
  path: number;
  strike: number;
  pace: number;
  height: number;
}

export const noBasis = (): Basis => ({
  start: 0,
  face: 0,
  path: 0,
  strike: 0,
  pace: 0,
  height: 0,
});

/** How many putts of some cells say anything of each skill. */
export function basisOf(cells: readonly Cell[]): Basis {
  const basis = noBasis();
  for (const { terms, count } of cells) {
    const some = (test: (term: Term) => unknown) => (terms.some(test) ? count : 0);
    const started = ({ start, direct }: Term) => start ?? direct.start;
    basis.start += some(started);
    basis.face += some((term) => started(term) ?? term.face);
    basis.path += some(({ heads }) => heads.some(({ at }) => at !== 0));
    basis.strike += some(({ heads, direct }) => heads.length > 0 || direct.strike);
    basis.pace += some(({ pace, direct }) => pace ?? direct.pace);
    basis.height += some(({ height, direct }) => height ?? direct.height);
  }
  return basis;
}

/**
 * Whether putts that missed are told of without their side, and none with it: holed or missed does not tell a player who
 * pushes from one who pulls.
 */
export function hidesSide(cells: readonly Cell[]): boolean {
  let hidden = false;
  for (const { terms } of cells) {
    if (terms.some(({ direct }) => direct.start)) return false;
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
