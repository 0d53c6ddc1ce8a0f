import type { UnitPreferences } from '@/core/units';
import type { WorthTold } from './worth';
import { WorthTable } from './worth-table';

/** What the skills are worth in putts made, now and at first. */
export function WorthPart({ worth, units }: { worth: WorthTold | null; units: UnitPreferences }) {
  return (
    <section aria-label="Putts holed by distance" className="px-4 py-5 md:px-7">
      <h2 className="mb-2 text-[1.25rem] num">Putts holed by distance</h2>
      {worth ? (
        <WorthTable {...worth} units={units} />
      ) : (
        <p className="text-ink2">
          No data on the start line yet. After some putts through a gate, this table shows how often
          a putt of each length goes in.
        </p>
      )}
    </section>
  );
}
