import { correctionSchema, type Correction } from '@/core/people';
import type { Forecast } from './accuracy';

const logit = (chance: number): number => Math.log(chance / (1 - chance));
const chanceAt = (logOdds: number): number => 1 / (1 + Math.exp(-logOdds));

/**
 * Returns a chance of a pass, corrected by how forecasts have turned out.
 *
 * @param chance as the model has it, 0 to 1
 * @param correction null for none
 * @example corrected(0.5, { shift: 0.4, slope: 1 }) // 0.599
 */
export function corrected(chance: number, correction: Correction | null): number {
  if (!correction || chance <= 0 || chance >= 1) return chance;
  return chanceAt(correction.shift + correction.slope * logit(chance));
}

/** Returns the chance before its correction: the inverse of {@link corrected}. */
export function uncorrected(chance: number, correction: Correction | null): number {
  if (!correction || chance <= 0 || chance >= 1) return chance;
  return chanceAt((logit(chance) - correction.shift) / correction.slope);
}

/** Standard deviations of the shift around 0 and of the slope around 1 before any forecast: most need little. */
const USUAL = { shift: 0.5, slope: 0.3 } as const;
/** Putts of one drill turn out alike, since what was not known of the player is the same for all: their correlation. */
const ALIKE = 0.1;
/** Fewer drills than this correct nothing. */
const DRILLS_ENOUGH = 60;
/** Standard errors by which corrected forecasts have to be better. */
const CLEARLY = 2;
const STEPS = 25;

interface Told {
  chance: number;
  passed: number;
  failed: number;
}

/** Putts of a forecast, counted for as many as independent ones would tell. */
function countedOf({ putts }: Forecast): Told[] {
  if (!putts) return [];
  const worth = 1 / (1 + (putts.of - 1) * ALIKE);
  const chance = Math.min(0.999, Math.max(0.001, putts.chance));
  return [{ chance, passed: worth * putts.passed, failed: worth * (putts.of - putts.passed) }];
}

/** The correction that is likeliest after some forecasts, by Newton's steps. */
function fitted(told: readonly Told[]): Correction {
  let [shift, slope] = [0, 1];
  for (let step = 0; step < STEPS; step++) {
    let [byShift, bySlope] = [-shift / USUAL.shift ** 2, -(slope - 1) / USUAL.slope ** 2];
    let [a, b, c] = [1 / USUAL.shift ** 2, 0, 1 / USUAL.slope ** 2];
    for (const { chance, passed, failed } of told) {
      const x = logit(chance);
      const p = chanceAt(shift + slope * x);
      const off = passed - (passed + failed) * p;
      const weight = (passed + failed) * p * (1 - p);
      byShift += off;
      bySlope += off * x;
      a += weight;
      b += weight * x;
      c += weight * x * x;
    }
    const determinant = a * c - b * b;
    shift += (c * byShift - b * bySlope) / determinant;
    slope += (a * bySlope - b * byShift) / determinant;
  }
  return { shift, slope };
}

/** The log score of one forecast, corrected. */
const scoreOf = ({ chance, passed, failed }: Told, correction: Correction | null): number => {
  const p = corrected(chance, correction);
  return passed * Math.log(p) + failed * Math.log(1 - p);
};

/** What a correction would do. */
export interface Corrected {
  correction: Correction;
  drills: number;
  /** Forecasts that the correction was not made from are clearly better with it. */
  helps: boolean;
}

/**
 * Returns the correction that past forecasts ask for, by logistic recalibration (Cox 1958), and whether it helps: each tenth of the
 * forecasts is corrected by what the other nine say, and the log score has to rise by two standard errors.
 *
 * @returns null where fewer than 60 drills were forecast
 */
export function correctionOf(forecasts: readonly Forecast[]): Corrected | null {
  const told = forecasts.flatMap(countedOf);
  if (told.length < DRILLS_ENOUGH) return null;
  const gains = told.map(() => 0);
  for (let fold = 0; fold < 10; fold++) {
    const without = fitted(told.filter((_, i) => i % 10 !== fold));
    told.forEach((one, i) => {
      if (i % 10 === fold) gains[i] = scoreOf(one, without) - scoreOf(one, null);
    });
  }
  const mean = gains.reduce((sum, one) => sum + one, 0) / gains.length;
  const variance = gains.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (gains.length - 1);
  const helps = mean > CLEARLY * Math.sqrt(variance / gains.length);
  return { correction: correctionSchema.parse(fitted(told)), drills: told.length, helps };
}
