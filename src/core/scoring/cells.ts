import { isUsual, type Putt } from '@/core/drill';
import { PUTT_RANGE, type Putt as GreenPutt } from '@/core/green';
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
import {
  completed,
  isQuantity,
  quantities,
  quantityOf,
  type MeasuredValues,
} from '@/core/quantity';
import { read } from './basis';
import { placedEvidence, type Placed } from './evidence';
import {
  anywhere,
  areasOf,
  boundsOf,
  cut,
  open,
  within,
  type Measured,
  type Mount,
  type Said,
  type Term,
} from './terms';

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
  putt: GreenPutt;
  /** How an instrument stands there that reads a quantity. */
  mountOf(instrument: string, quantity: string): Mount;
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
      if (!(error > 0) || !(Math.abs(value) < quantityOf(read.quantity).sane)) return [];
      return [{ quantity: read.quantity, ...settled(asShare) }];
    });
  });
}

/** How an instrument that reads a quantity is named among those of some findings. */
const mountKey = (instrument: string, quantity: string): string =>
  JSON.stringify([instrument, quantity]);
export const fromMountKey = (key: string): [instrument: string, quantity: string] =>
  JSON.parse(key) as [string, string];

/** What is not known of how an instrument stands: shared by all its set-ups, and of each by itself. */
export const LASTING = 0.9;
const ANEW = Math.sqrt(1 - LASTING ** 2);

/** What was seen that amounts to a reading: whoever looks stands as off as an instrument. */
const seenValues = ({ elements }: Ground, { outcomes, filled }: Putt): MeasuredValues =>
  Object.fromEntries(
    elements.flatMap((element) => {
      const outcome = outcomes[element.id];
      if (outcome === undefined || filled?.includes(element.id)) return [];
      return element
        .reads(outcome)
        .map(({ quantity, ...read }) => [quantity, { ...read, by: element.name }]);
    }),
  );

/** What was pointed at that says something of quantities no gate tests: no instrument stands there that could stand off. */
const pointedValues = ({ elements }: Ground, { outcomes, points = {} }: Putt): Measured[] =>
  elements.flatMap(({ id, pointing }) => {
    const spot = points[id];
    if (!spot || !pointing || outcomes[id] === undefined) return [];
    return pointing
      .reads(spot)
      .map(({ quantity, value, error }) => ({ latent: quantity, value, error }));
  });

/** What instruments read, and what was seen as they would, in the units of the latents, against what the putt asks for. */
function measuredOf(ground: Ground, putt: Putt): Measured[] {
  const { putt: on, mountOf } = ground;
  const values = { ...seenValues(ground, putt), ...(putt.measured && completed(putt.measured)) };
  const stood = Object.entries(values).map(([latent, { by, ...value }]) => ({
    latent,
    by,
    ...value,
  }));
  return [...stood, ...pointedValues(ground, putt)].flatMap(({ latent, value, error, ...from }) => {
    if (!isQuantity(latent)) return [];
    const { middle, instrument, sane } = quantityOf(latent);
    const against = finite(latent, value) - (middle?.(on) ?? 0);
    if (Math.abs(against) > sane) return [];
    const read = settled({ value: against, error: error ?? instrument.error });
    return [{ latent, ...read, ...('by' in from && { mount: mountOf(from.by, latent) }) }];
  });
}

/** What one putt says; none when nothing. What is independent of each other is told apart, and so counted together. */
function cellsOf(ground: Ground, putt: Putt): Term[][] {
  const { terms, others: said } = termsOf(ground, putt);
  const measured = measuredOf(ground, putt);
  const started = measured.find(({ latent }) => latent === 'start');
  const latents = measured.filter((one) => one !== started);
  const looked = terms.some(({ start, face, heads }) => start ?? face ?? heads.length > 0);
  const tied = (latent: string) =>
    ((looked || started) && TIED.includes(latent)) ||
    (latent === 'pace' && terms.some(({ pace }) => pace)) ||
    (latent === 'height' && terms.some(({ height }) => height));
  const together = latents.filter(({ latent }) => tied(latent));
  const whole = terms
    .map((term) => ({
      ...term,
      ...(started && { direct: { ...term.direct, start: started } }),
      ...(together.length > 0 && { measured: together }),
    }))
    .filter(says);
  const apart = latents
    .filter(({ latent }) => !tied(latent))
    .map((one): Term[] => [{ heads: [], direct: {}, measured: [one] }]);
  // What was read off says more than between which bounds it lay.
  const others = othersOf(ground, said)
    .filter((one) => !latents.some(({ latent }) => latent === one.latent))
    .map((one): Term[] => [{ heads: [], direct: {}, others: [one] }]);
  return [...(whole.length === terms.length ? [whole] : []), ...apart, ...others];
}

/** What outcomes say of quantities that neither the ball nor the head tells of, each by itself. */
const othersOf = ({ putt }: Ground, said: readonly Said[]): NonNullable<Term['others']> =>
  said.flatMap((one) => {
    const { evidence } = one;
    if (evidence.quantity !== 'other' || !isQuantity(evidence.id)) return [];
    const against = quantityOf(evidence.id).middle?.(putt) ?? 0;
    const [lower, upper] = [evidence.lower, evidence.upper].map(
      (edge) => finite(evidence.id, edge) - against,
    ) as [number, number];
    const bounds = boundsOf({ lower, upper }, one);
    return open(bounds) ? [{ latent: evidence.id, bounds }] : [];
  });

/** What a ball's start and the head's place are made of: readings of it belong to what a gate says. */
const TIED = ['face', 'path', 'strike'];

/**
 * What was seen of one putt. Gates on one putt are true at once; a ball that a tee has turned can meet what its start would
 * not have, and then only the first thing it met counts.
 */
function termsOf(ground: Ground, putt: Putt): { terms: Term[]; others: Said[] } {
  const term: Term = { heads: [], direct: {} };
  const rolls: Said[] = [];
  const marks: Mark[] = [];
  const others: Said[] = [];
  const readings = readingsOf(ground, putt);
  let turned = false;
  for (const element of ground.elements) {
    const outcome = putt.outcomes[element.id];
    if (outcome === undefined || putt.filled?.includes(element.id)) continue;
    if (element.trains === 'start' && outcome !== 'clear') turned = true;
    const { evidence, by } = ground.said(element, outcome);
    const stand = ground.standOf(element);
    evidence.forEach((one, i) => {
      const said: Said = { evidence: one, by: by[i]!, stand };
      if (one.quantity === 'roll') rolls.push(said);
      else if (one.quantity === 'mark') marks.push(one);
      else if (one.quantity === 'other') others.push(said);
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
  return { terms: withMarks(withRolls(term, rolls), rough), others };
}

/** Whether an outcome only says roughly what was read off. */
const isRead = (quantity: 'pace' | 'strike' | 'height', readings: Direct[]): boolean =>
  readings.some((read) => read.quantity === quantity);

function add(term: Term, said: Said, readings: Direct[]): void {
  const { evidence } = said;
  if (evidence.quantity === 'roll' || evidence.quantity === 'mark' || evidence.quantity === 'other')
    return;
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

const says = ({ start, face, heads, pace, height, direct, measured }: Term): boolean =>
  !!start ||
  !!face ||
  heads.length > 0 ||
  !!pace ||
  !!height ||
  !!measured ||
  Object.keys(direct).length > 0;

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
 * when it was struck as usual, but for what is told by its own way of striking. Measured numbers of a layout stand in place of the planned ones, since its elements know
 * them. What cannot be scored is set aside with its reason; nothing of it harms the rest.
 *
 * @param runs layouts with what happened on each putt
 * @param any takes putts of every manner, for comparing one with another
 */
export function findingsOf(runs: readonly LoggedRun[], any = false): Findings {
  const cells = new Map<string, Cell>();
  const stands: Findings['stands'] = [];
  const mounts: string[] = [];
  const standAt = new Map<string, number>();
  const unscored: Unscored[] = [];
  runs.forEach(({ layout, putts, stand }, run) => {
    const grounds = new Map<string, Ground>();
    const known = new Map<string, Cell[]>();
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
        putt: there.putt,
        mountOf: (instrument, quantity) => {
          const { mount, standsAs = quantity } = quantityOf(quantity).instrument;
          const lasting = mountKey(instrument, standsAs);
          if (!mounts.includes(lasting)) mounts.push(lasting);
          const named = (what: string): number => {
            const key = `${stand ?? `run ${run}`} ${what}`;
            const index = standAt.get(key) ?? stands.length;
            if (index === stands.length) stands.push({ measured: true });
            standAt.set(key, index);
            return index;
          };
          return {
            instrument: mounts.indexOf(lasting),
            by: LASTING * mount,
            stand: named(`stand ${lasting}`),
            byStand: ANEW * mount,
            errors: named(`errors ${mountKey(instrument, quantity)}`),
          };
        },
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
      const usual = any || isUsual(putt.manner);
      const apart = usual ? [] : toldBy(putt.manner);
      if (!usual && apart.length === 0) continue;
      const bare = !putt.points || Object.keys(putt.points).length === 0 ? !putt.measured : false;
      const manner = usual ? '' : putt.manner;
      const key = `${manner} ${putt.place ? spotKey(putt.place) : 'own'} ${JSON.stringify(putt.outcomes)}`;
      let all = bare ? known.get(key) : undefined;
      if (all === undefined) {
        try {
          const said = cellsOf(groundAt(putt.place), putt);
          const taken = usual ? said : said.filter((terms) => tellOnlyOf(terms, apart));
          all = taken.map((terms): Cell => {
            const what = JSON.stringify(terms, infinities);
            const cell = cells.get(what) ?? { terms, count: 0 };
            cells.set(what, cell);
            return cell;
          });
        } catch (error) {
          const reason = error instanceof Error ? error.message : String(error);
          refused.set(reason, (refused.get(reason) ?? 0) + 1);
          continue;
        }
        if (bare) known.set(key, all);
      }
      for (const cell of all) cell.count += 1;
    }
    for (const [reason, count] of refused) unscored.push({ run, putts: count, reason });
  });
  return { cells: [...cells.values()], stands, mounts, unscored };
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
