import type { Translate } from '@/words/translate';
import type { Hand } from '@/core/people';
import {
  isQuantity,
  quantities,
  quantityOf,
  showValue,
  type MeasuredValues,
} from '@/core/quantity';

/** One value that was read, in words. */
export interface ValueTold {
  id: string;
  name: string;
  words: string;
}

/** What instruments read of a putt, in the order of the register. */
export function valuesTold(measured: MeasuredValues, hand: Hand): ValueTold[] {
  return quantities().flatMap(({ id, name }) =>
    measured[id] ? [{ id, name, words: showValue(id, measured[id].value, hand) }] : [],
  );
}

/** The same in a line: "Start line 0.4° push, Face 0.5° open". */
export const measuredWords = (measured: MeasuredValues, hand: Hand): string =>
  valuesTold(measured, hand)
    .map(({ name, words }) => `${name} ${words}`)
    .join(', ');

/** Which instruments it was, as a coach names them. */
export const readBy = (measured: MeasuredValues): string =>
  [
    ...new Set(Object.entries(measured).flatMap(([id, { by }]) => (isQuantity(id) ? [by] : []))),
  ].join(', ');

/** What a ball's line and strike are read by: shown first, and large. */
export const isRuled = (id: string): boolean => !!quantityOf(id).ruled;

/** Nearer to the beat than this nobody hears, s. */
const ON_BEAT = 0.03;

const beside = (t: Translate, seconds: number, what: string): string =>
  Math.abs(seconds) < ON_BEAT
    ? t('session.measuredWords.onTime', { what })
    : `${what} ${Math.abs(seconds).toFixed(2)} s ${seconds > 0 ? 'slow' : 'quick'}`;

/** A stroke against the beat: "back 0.07 s slow, through on it". */
export const beatWords = (
  t: Translate,
  { back, through }: { back: number; through: number },
): string => `${beside(t, back, 'back')}, ${beside(t, through, 'through')}`;
