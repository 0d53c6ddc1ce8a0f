import { quantities, quantityOf, showAmount } from '@/core/quantity';
import { basisOf } from './basis';
import type { Cell, Findings } from './cells';
import type { Belief } from './gaussian';
import { LASTING, fromMountKey } from './ground';
import { dimension } from './latents';
import { INTERVAL_SHARE, type Estimate } from './skills';

/** How far off an instrument reads a quantity, against what gates and the hole say of the same putts. */
export interface InstrumentOff {
  by: string;
  quantity: string;
  /** SI, right and long positive. */
  off: Estimate;
}

/** Standard normal at the ends of an interval. */
const TAIL_AT = 1.2815515655446004;
/** Less than this share of what is thought possible of an instrument is not worth a word. */
const WORTH = 0.3;

/** Directions that a sensor reads and a gate can check. */
const CHECKED = ['start', 'face', 'path'];

/**
 * Returns the directions of which only an instrument tells, with the instrument's name: their bias is relative to how it stands,
 * which no gate has checked.
 *
 * @param all findings of one player, session by session
 * @example relativeTo(findings) // { face: 'Rail sensor' }
 */
export function relativeTo(all: readonly Findings[]): Partial<Record<string, string>> {
  const found: Partial<Record<string, string>> = {};
  for (const { cells, mounts } of all) {
    for (const { measured, direct } of cells.flatMap(({ terms }) => terms)) {
      const readings = [
        ...(measured ?? []),
        ...(direct.start ? [{ latent: 'start', ...direct.start }] : []),
      ];
      for (const { latent, mount } of readings) {
        if (!mount || !CHECKED.includes(latent)) continue;
        const [by] = fromMountKey(mounts[mount.instrument]!);
        found[latent] ??= by;
        // The start follows from the face.
        if (latent === 'face') found.start ??= by;
        if (latent === 'start') found.face ??= by;
      }
    }
  }
  const seen = basisOf(all.flatMap(({ cells }) => cells.map(withoutInstruments)));
  for (const id of Object.keys(found)) if ((seen[id] ?? 0) > 0) delete found[id];
  return found;
}

/** A cell as it would be had no instrument read anything. */
const withoutInstruments = (cell: Cell): Cell => ({
  ...cell,
  terms: cell.terms.map(({ measured: _, direct, ...term }) => ({
    ...term,
    direct: direct.start?.mount ? { ...direct, start: undefined } : direct,
  })),
});

/** How far off what reads a quantity may stand: what is looked at by eye is read so by nothing else. */
const standsWithin = (quantity: string): number => {
  const { look, mount } = quantityOf(quantity).instrument;
  return look ?? mount;
};

/** What a belief says of the instruments of some findings. */
export function instrumentsOf({ mean, covariance }: Belief, { mounts }: Findings): InstrumentOff[] {
  return mounts.map((key, i) => {
    const [by, quantity] = fromMountKey(key);
    const at = dimension() + i;
    const scale = LASTING * standsWithin(quantity);
    const [middle, deviation] = [scale * mean[at]!, scale * Math.sqrt(covariance.get(at, at))];
    const off = {
      low: middle - TAIL_AT * deviation,
      middle,
      high: middle + TAIL_AT * deviation,
    };
    return { by, quantity, off };
  });
}

/**
 * That an instrument does not stand as it should, in words; null where nothing says so.
 *
 * @example instrumentWords(off) // "Rail sensor reads 0.4° right of what the gates say …"
 */
export function instrumentWords({ by, quantity, off }: InstrumentOff): string | null {
  const { name, dimension: kind } = quantityOf(quantity);
  if (off.low * off.high <= 0 || Math.abs(off.middle) < WORTH * standsWithin(quantity)) return null;
  const directions = quantities().some(({ instrument: one }) => one.standsAs === quantity);
  const angle = kind === 'angle' || kind === 'length';
  const side = off.middle > 0 ? (angle ? 'right' : 'more') : angle ? 'left' : 'less';
  const than = angle ? 'of' : 'than';
  const [near, far] = [off.low, off.high].map(Math.abs).sort((a, b) => a - b) as [number, number];
  return `${by} reads ${showAmount(quantity, off.middle, 1)} ${side} ${than} the gates (${directions ? 'all directions' : name.toLowerCase()}; ${INTERVAL_SHARE * 100} % interval ${showAmount(quantity, near, 1)} to ${showAmount(quantity, far, 1)}). Check its set-up.`;
}
