export {
  bareDetails,
  drillDetails,
  drillSchema,
  MISSES,
  PLACES,
  PLACE_WORDS,
  SKILLS,
  SKILL_WORDS,
  type DrillDetails,
  type DrillValues,
  type Miss,
  type PlaceKind,
  type Skill,
} from './drill';
export { LIBRARY, libraryDrill, type LibraryDrill } from './library';
export { capSchema, ruleSchema, ruleWords, type Cap, type Rule } from './rule';
export { tally, type Tally } from './tally';
