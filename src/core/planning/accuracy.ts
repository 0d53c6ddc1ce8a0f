/** A forecast of which the answer is known. */
export interface Forecast {
  at: Date;
  /** How many of the putts would pass, or how many putts the rule would take. */
  what: 'passes' | 'finish';
  /** Where the answer fell in what was forecast: 0 below all of it, 1 above; even where the forecasts are right. */
  fell: number;
  /** Of passes: the chance that a putt passes, how many there were and how many did. */
  putts?: { chance: number; of: number; passed: number };
}

/**
 * Returns where a number of passes fell in its forecast: the chance of fewer, and half of that of as many (the mid-PIT; Czado and
 * others 2009).
 *
 * @param chances of a pass, for players who are all as likely
 * @param of putts, 1 or more
 * @param passed of them
 * @throws RangeError where more passed than there were
 * @example passesFell([0.5], 2, 1) // 0.5
 */
export function passesFell(chances: readonly number[], of: number, passed: number): number {
  if (!(of >= 1) || passed > of || passed < 0) {
    throw new RangeError(`${passed} of ${of} putts cannot have passed.`);
  }
  let sum = 0;
  for (const chance of chances) {
    let here = (1 - chance) ** of;
    let below = 0;
    for (let k = 0; k < passed; k++) {
      below += here;
      here =
        chance >= 1 ? Number(k + 1 === of) : (here * (of - k) * chance) / ((k + 1) * (1 - chance));
    }
    sum += below + here / 2;
  }
  return sum / chances.length;
}

/**
 * Returns where the number of putts that a rule took fell in its forecast.
 *
 * @param goingOn the chance to go on after so many putts, from none, for players who are all as likely
 * @param putts that it took
 */
export function finishFell(goingOn: readonly Float64Array[], putts: number): number {
  const left = (after: number) =>
    goingOn.reduce((sum, course) => sum + (course[Math.min(after, course.length - 1)] ?? 0), 0) /
    goingOn.length;
  return 1 - (left(putts - 1) + left(putts)) / 2;
}

/** How forecasts of one kind have turned out. */
export interface Accuracy {
  count: number;
  /** Share of answers within the middle eight tenths of their forecasts. */
  held: number;
  /** How many fell into each tenth of their forecasts. */
  tenths: number[];
}

/** How chances of a pass have turned out, by tenths of what was forecast. */
export interface Reliability {
  putts: number;
  /** Mean squared error of the chance (Brier 1950), and that of telling the mean every time. */
  brier: number;
  always: number;
  rows: { forecast: number; seen: number; putts: number; low: number; high: number }[];
}

/** How forecasts of one kind have turned out; null where there are none. */
export function accuracyOf(
  forecasts: readonly Forecast[],
  what: Forecast['what'],
): Accuracy | null {
  const fell = forecasts.flatMap((one) => (one.what === what ? [one.fell] : []));
  if (fell.length === 0) return null;
  const tenths = Array.from({ length: 10 }, () => 0);
  for (const one of fell) tenths[Math.min(9, Math.floor(10 * one))]! += 1;
  const held = fell.filter((one) => one >= 0.1 && one <= 0.9).length / fell.length;
  return { count: fell.length, held, tenths };
}

/** A forecast chance, and the probability that it came true given later putts: 0 or 1 when that is certain. */
export interface ToldChance {
  what: 'holed' | 'goal' | 'change';
  chance: number;
  came: number;
  /** Putts, or 1. */
  of: number;
}

/** How chances of one kind have turned out. */
export interface ChanceAccuracy {
  of: number;
  /** The mean forecast, and the share that came true with its 80 % interval. */
  told: number;
  came: number;
  low: number;
  high: number;
}

/** Returns how chances of one kind have turned out; null where none was told. */
export function chancesOf(
  all: readonly ToldChance[],
  what: ToldChance['what'],
): ChanceAccuracy | null {
  const some = all.filter((one) => one.what === what);
  const of = some.reduce((sum, one) => sum + one.of, 0);
  if (of === 0) return null;
  const mean = (value: (one: ToldChance) => number) =>
    some.reduce((sum, one) => sum + one.of * value(one), 0) / of;
  const came = mean((one) => one.came);
  return { of, told: mean(({ chance }) => chance), came, ...shareInterval(came, of) };
}

/** Standard normal at the ends of an 80 % interval. */
const AT = 1.2815515655446004;

/** The 80 % interval of a share of so many (Agresti and Coull 1998). */
function shareInterval(share: number, count: number): { low: number; high: number } {
  const [n, p] = [count + AT ** 2, (share * count + AT ** 2 / 2) / (count + AT ** 2)];
  const half = AT * Math.sqrt((p * (1 - p)) / n);
  return { low: Math.max(0, p - half), high: Math.min(1, p + half) };
}

/** How chances of a pass have turned out; null where there are none. */
export function reliabilityOf(forecasts: readonly Forecast[]): Reliability | null {
  const told = forecasts.flatMap(({ putts }) => putts ?? []);
  const sum = (of: (one: NonNullable<Forecast['putts']>) => number, among = told) =>
    among.reduce((total, one) => total + of(one), 0);
  const putts = sum(({ of }) => of);
  if (putts === 0) return null;
  const mean = sum(({ passed }) => passed) / putts;
  const off = (at: (one: NonNullable<Forecast['putts']>) => number) =>
    sum((one) => one.passed * (1 - at(one)) ** 2 + (one.of - one.passed) * at(one) ** 2) / putts;
  const rows = Array.from({ length: 10 }, (_, tenth) =>
    told.filter(({ chance }) => Math.min(9, Math.floor(10 * chance)) === tenth),
  ).flatMap((some) => {
    const count = sum(({ of }) => of, some);
    if (count === 0) return [];
    const seen = sum(({ passed }) => passed, some) / count;
    const forecast = sum(({ chance, of }) => chance * of, some) / count;
    return [{ forecast, seen, putts: count, ...shareInterval(seen, count) }];
  });
  return { putts, brier: off(({ chance }) => chance), always: off(() => mean), rows };
}
