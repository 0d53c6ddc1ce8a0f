import type { Putt } from '@/core/drill';
import type { Direct, Evidence } from '@/core/layout';
import { completed, isQuantity, quantityOf, type MeasuredValues } from '@/core/quantity';
import type { Ground } from './ground';
import {
  anywhere,
  areasOf,
  boundsOf,
  cut,
  open,
  within,
  type Measured,
  type Said,
  type Term,
} from './terms';

/** Readings of one kind to half of their error: what is finer is hardly knowledge, and equal ones are counted together. */
const settled = ({ value, error }: { value: number; error: number }) => {
  const step = error / 2;
  return { value: Math.round(value / step) * step, error };
};

type Mark = Extract<Evidence, { quantity: 'mark' }>;

const finite = (name: string, value: number): number => {
  if (Number.isNaN(value)) throw new RangeError(`The ${name} of a putt is not a number.`);
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

/** What instruments read, and what was seen as they would, in the units of the latents, against what the putt asks for. */
function measuredOf(ground: Ground, putt: Putt, before: number): Measured[] {
  const { putt: on, mountOf } = ground;
  const [seen, read] = [seenValues(ground, putt), putt.measured ? completed(putt.measured) : {}];
  const stood = Object.entries({ ...seen, ...read }).map(([latent, { by, ...value }]) => ({
    latent,
    from: { by, eye: !(latent in read) },
    ...value,
  }));
  return stood.flatMap(({ latent, from, value, error }) => {
    if (!isQuantity(latent)) return [];
    const { middle, instrument, sane } = quantityOf(latent);
    const against = finite(latent, value) - (middle?.(on) ?? 0);
    if (Math.abs(against) > sane) return [];
    const settledAt = settled({ value: against, error: error ?? instrument.error });
    return [{ latent, ...settledAt, mount: mountOf(from, latent, before) }];
  });
}

/**
 * What one putt says, as sums of terms that exclude each other; none when nothing. What is independent of each other is told
 * apart, and so counted together.
 *
 * @param ground where it was made
 * @param putt its outcomes, by the elements that stand there, what was pointed at and what instruments read
 * @param before putts that instruments have read from the same set-up
 * @throws RangeError when a bound or a reading comes out as no number
 */
export function saidOf(ground: Ground, putt: Putt, before = 0): Term[][] {
  const { terms, others: said } = termsOf(ground, putt);
  const measured = measuredOf(ground, putt, before);
  const started = measured.find(({ latent }) => latent === 'start');
  const latents = measured.filter((one) => one !== started);
  const looked = terms.some(({ start, face, heads }) => start ?? face ?? heads.length > 0);
  const tied = (latent: string) =>
    ((looked || started) && TIED.includes(latent)) ||
    (latent === 'pace' && terms.some(({ pace }) => pace)) ||
    (latent === 'height' && terms.some(({ height }) => height));
  const together = latents.filter(({ latent }) => tied(latent));
  // What was read off says more than between which bounds it lay.
  const bounded = othersOf(ground, said).filter(
    (one) => !latents.some(({ latent }) => latent === one.latent),
  );
  // An instrument tells a start from the line meant, whatever was read.
  const byReading = started ? null : ground.startOfReading;
  const reads = byReading === null ? [] : bounded.filter(({ latent }) => latent === 'reading');
  const read = terms.every(({ start, direct }) => start && !direct.start) ? reads : [];
  const whole = terms
    .map((term) => ({
      ...term,
      ...(byReading !== null && (term.start ?? term.direct.start) && { byReading }),
      ...(read.length > 0 && { others: read }),
      ...(started && { direct: { ...term.direct, start: started } }),
      ...(together.length > 0 && { measured: together }),
    }))
    .filter(says);
  const apart = latents
    .filter(({ latent }) => !tied(latent))
    .map((one): Term[] => [{ heads: [], direct: {}, measured: [one] }]);
  const others = bounded
    .filter((one) => !read.includes(one))
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
    const spot = putt.points?.[element.id];
    const { evidence, by } =
      (spot && ground.pointed(element, spot)) ?? ground.said(element, outcome);
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
        const { at, rear } = evidence;
        term.heads.push({ at, bounds, ...(rear && { rear }) });
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
