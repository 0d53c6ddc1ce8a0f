import type { Translate } from '@/words/translate';
import { MANNERS, isUsual, type Manner, type Putt } from '@/core/drill';
import { judge, layoutAt, spotKey, type Layout, type PuttPlace } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { ordinal, placeWords } from './place-words';

/** Putts of one kind, counted. */
export interface Counted {
  name: string;
  putts: number;
  passed: number;
  /** What stands out: "always missed". */
  note: string | null;
}

type PlacedPutt = Pick<Putt, 'outcomes' | 'manner'> & { place: PuttPlace };

/** Fewer putts than this say nothing of a place. */
const ENOUGH = 3;

const noteOf = (t: Translate, putts: number, passed: number, others: number): string | null => {
  if (putts < ENOUGH) return null;
  if (passed === 0) return t('session.byPlace.alwaysMissed');
  if (passed === putts && others < 1) return t('session.byPlace.neverMissed');
  return null;
};

function counted<Key>(
  t: Translate,
  putts: readonly PlacedPutt[],
  keyOf: (putt: PlacedPutt) => Key,
  nameOf: (key: Key, first: PlacedPutt) => string,
  passes: (putt: PlacedPutt) => boolean | null,
): Counted[] {
  const groups = new Map<Key, PlacedPutt[]>();
  for (const putt of putts) {
    const key = keyOf(putt);
    groups.set(key, [...(groups.get(key) ?? []), putt]);
  }
  const results = (some: readonly PlacedPutt[]) => {
    const seen = some.map(passes).filter((passed) => passed !== null);
    return { putts: seen.length, passed: seen.filter(Boolean).length };
  };
  const all = results(putts);
  return [...groups].map(([key, group]) => {
    const own = results(group);
    return {
      ...own,
      name: nameOf(key, group[0]!),
      note: noteOf(t, own.putts, own.passed, all.passed / Math.max(1, all.putts)),
    };
  });
}

const passing = (layout: Layout) => {
  const here = judge(layout);
  return ({ outcomes }: PlacedPutt) => here(outcomes);
};

/**
 * Putts of a run by where they were made, in the order in which they were first putted from; none where all were made from
 * one place.
 *
 * @param layout as it stands at its ball mark
 * @param putts that count
 */
export function byPlace(
  t: Translate,
  layout: Layout,
  putts: readonly PlacedPutt[],
  units: UnitPreferences,
): Counted[] {
  const stationOrSpot = ({ place }: PlacedPutt) =>
    place.again > 0 ? `again ${place.again}` : `${place.station} ${spotKey(place)}`;
  const rows = counted(
    t,
    putts,
    stationOrSpot,
    (_key, { place }) =>
      place.again > 0
        ? t('session.byPlace.puttFromWhereTheLast', { ordinal: ordinal(place.again + 1) })
        : layoutAt(layout, place) === null
          ? t('session.byPlace.spotNotRecorded')
          : (placeWords(t, layout, place, units) ?? t('session.byPlace.fromTheBallMarker')),
    passing(layout),
  );
  return rows.length > 1 ? rows : [];
}

/**
 * Putts of a run by how they were struck; none where all were struck as usual.
 *
 * @param layout as it stands
 * @param putts that count
 */
export function byManner(t: Translate, layout: Layout, putts: readonly PlacedPutt[]): Counted[] {
  if (putts.every(({ manner }) => isUsual(manner))) return [];
  return counted(
    t,
    putts,
    ({ manner = 'usual' }) => manner,
    (manner: Manner) => MANNERS[manner].label,
    passing(layout),
  );
}
