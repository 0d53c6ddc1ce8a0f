import { showLength, type UnitPreferences } from '@/core/units';
import type { Finding } from './element';

/**
 * A finding as a sentence in the coach's units.
 *
 * @param finding its message holds a `{name}` for each of its lengths
 * @param units the coach's
 */
export const findingWords = ({ message, lengths }: Finding, units: UnitPreferences): string =>
  message.replace(/\{(\w+)\}/g, (_, name: string) => {
    const length = lengths[name];
    return length ? showLength(length.metres, length.kind, units) : name;
  });
