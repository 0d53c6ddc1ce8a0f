import 'server-only';
import { fallsWords, type Current } from '@/core/green';
import type { Read } from '@/core/layout';
import { showGrade, showLength, type UnitPreferences } from '@/core/units';
import { readOf, type Green } from '@/data';
import type { PickOption } from '@/ui/pick';
import { greenValue } from './value';

/** A green or a spot of it that a putt can stand on, as it was last read. */
export interface GreenOption extends PickOption {
  read: Read;
  current: Current;
}

/** Everything that was ever read: each green as a whole, for its speed, and each of its spots. */
export function greenOptions(greens: Green[], units: UnitPreferences): GreenOption[] {
  return greens
    .filter(({ archivedAt }) => !archivedAt)
    .flatMap((green) => {
      const all = [null, ...green.spots.map(({ id }) => id)];
      return all.flatMap((spotId) => {
        const found = readOf(green, spotId);
        if (!found) return [];
        const { read, current } = found;
        const slope = current.slope && current.slope.grade > 0 ? current.slope : null;
        return {
          read,
          current,
          value: greenValue(read.greenId, read.spotId),
          label: read.spot ? `${read.green}, ${read.spot}` : read.green,
          detail: `${showLength(current.greenSpeed, 'speed', units)}${slope ? ` · ${showGrade(slope.grade)} ${fallsWords(slope.falls)}` : ''}`,
        };
      });
    });
}
