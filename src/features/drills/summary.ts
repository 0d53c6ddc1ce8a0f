import type { Translate } from '@/words/translate';
import {
  LIBRARY,
  skillWords,
  tradeWords,
  type DrillDetails,
  type LibraryDrill,
  type Miss,
  type PlaceKind,
  type Skill,
} from '@/core/drill';
import {
  drawLayout,
  ladderElement,
  layoutKit,
  standing,
  type Layout,
  type Mark,
} from '@/core/layout';
import type { KitId, Level } from '@/core/people';
import { roughLength, showDegrees, showLength, type UnitPreferences } from '@/core/units';
import type { Drill } from '@/data';
import { smallMarks } from '@/ui/measured-line/small-line';
import { asksRead } from '../session/last-read';
import { drillWords } from './drill-words';

/** A drill in a list: what it is looked for by. */
export interface DrillSummary {
  /** Id of an own drill, key of a built-in one. */
  id: string;
  own: boolean;
  name: string;
  purpose: string;
  /** What stands on the green, and how strict it is. */
  stands: string;
  lets: string;
  skills: Skill[];
  misses: Miss[];
  avoid: Miss[];
  school: DrillDetails['school'];
  places: PlaceKind[];
  levels: Level[];
  seated: DrillDetails['seated'];
  minutes: number;
  kit: KitId[];
  /** All its words in small letters, and what the trade calls it, to search. */
  text: string;
  /** Its small drawing. */
  marks: Mark[];
}

/** What the element that a ladder would change lets through. */
function letsThrough(t: Translate, layout: Layout, units: UnitPreferences): string {
  const id = ladderElement(layout);
  const tolerance = standing(layout)
    .find((element) => element.id === id)
    ?.tolerance();
  if (!tolerance) return '';
  switch (tolerance.quantity) {
    case 'strike':
      return t('drills.summary.strike', { right: showLength(tolerance.right, 'across', units) });
    case 'pace':
      return t('drills.summary.ofPace', {
        left: roughLength(tolerance.left + tolerance.right, units),
      });
    default:
      return `±${showDegrees((tolerance.left + tolerance.right) / 2)} ${tolerance.quantity}`;
  }
}

function summary(
  t: Translate,
  drill: { id: string; own: boolean; name: string; layout: Layout },
  details: DrillDetails,
  units: UnitPreferences,
): DrillSummary {
  const { purpose, skills, misses, avoid, school, places, levels, seated, minutes } = details;
  const stands = `${showLength(drill.layout.putt.distance, 'putt', units)}, ${drillWords(drill.layout)}`;
  const text = [
    ...[drill.name, purpose, stands, details.when, ...details.steps],
    ...skills.map(skillWords),
    ...misses,
    ...standing(drill.layout).map(({ name }) => name),
  ]
    .join(' ')
    .toLowerCase();
  return {
    id: drill.id,
    own: drill.own,
    name: drill.name,
    purpose,
    stands,
    lets: letsThrough(t, drill.layout, units),
    skills,
    misses,
    avoid,
    school,
    places,
    levels,
    seated,
    minutes,
    kit: layoutKit(drill.layout).map(({ item }) => item),
    text: [text, ...tradeWords(text)].join(' '),
    // What asks for the read does not show it.
    marks: smallMarks(
      drawLayout(drill.layout).filter(
        (mark) =>
          !asksRead(drill.layout) || ['ball', 'hole', 'tee', 'coin', 'rod'].includes(mark.type),
      ),
    ),
  };
}

/** One of the coach's own drills in a list. */
export const ownSummary = (t: Translate, drill: Drill, units: UnitPreferences): DrillSummary =>
  summary(t, { ...drill, own: true }, drill.details, units);

/** A built-in drill in a list. */
export const builtInSummary = (
  t: Translate,
  { key, name, layout, ...details }: LibraryDrill,
  units: UnitPreferences,
): DrillSummary => summary(t, { id: key, own: false, name, layout }, details, units);

/** The coach's own drills and the built-in ones. */
export const drillSummaries = (
  t: Translate,
  own: Drill[],
  units: UnitPreferences,
): DrillSummary[] => [
  ...own.map((drill) => ownSummary(t, drill, units)),
  ...LIBRARY.map((drill) => builtInSummary(t, drill, units)),
];

/** What a list of drills is narrowed by; null or empty asks for nothing. */
export interface DrillFilter {
  words: string;
  skill: Skill | null;
  miss: Miss | null;
  school: 'arc' | 'straight' | null;
  place: PlaceKind | null;
  level: Level | null;
  seated: boolean;
  minutes: number | null;
  /** Only what can be built with these. */
  kit: readonly KitId[] | null;
}

export const NO_FILTER: DrillFilter = {
  words: '',
  skill: null,
  miss: null,
  school: null,
  place: null,
  level: null,
  seated: false,
  minutes: null,
  kit: null,
};

/** Whether a drill is what is looked for; one that harms a miss is never offered for it. */
export function fits(drill: DrillSummary, filter: DrillFilter): boolean {
  const words = filter.words.toLowerCase().split(/\s+/).filter(Boolean);
  return (
    words.every((word) => drill.text.includes(word)) &&
    (!filter.skill || drill.skills.includes(filter.skill)) &&
    (!filter.miss || (drill.misses.includes(filter.miss) && !drill.avoid.includes(filter.miss))) &&
    (!filter.school || drill.school === 'any' || drill.school === filter.school) &&
    (!filter.place || drill.places.includes(filter.place)) &&
    (!filter.level || drill.levels.includes(filter.level)) &&
    (!filter.seated || drill.seated !== 'no') &&
    (filter.minutes === null || drill.minutes <= filter.minutes) &&
    (!filter.kit || drill.kit.every((item) => filter.kit!.includes(item)))
  );
}
