export { COLD_RULE, beginOn, moveOn } from './begin';
export { blocksOf } from './blocks';
export {
  bareDetails,
  drillDetails,
  drillSchema,
  missNames,
  PLACES,
  PLACE_WORDS,
  skills,
  skillSchema,
  skillsSchema,
  skillWords,
  type DrillDetails,
  type DrillValues,
  type Miss,
  type PlaceKind,
  type Skill,
  onFloor,
} from './drill';
export { COLD_TEST, LIBRARY, libraryDrill, libraryFor, type LibraryDrill } from './library';
export {
  MANNERS,
  MANNER_IDS,
  isUsual,
  mannerAt,
  mannerSchema,
  mannerWords,
  type Manner,
} from './manner';
export { filledSchema, guessSchema, type Guess, type Putt, type TimedPutt } from './putt';
export { replay, restSeen, type Course, type Made, type ReplayedPutt } from './replay';
export { ruleGround, rulePutts, type RunPutts } from './rule-putts';
export {
  cardOf,
  paceOfPlay,
  runCourse,
  runMarkSchema,
  type Pause,
  type RunCourse,
  type RunMark,
} from './run-marks';
export { capSchema, type Cap } from './cap';
export {
  endedWords,
  machineOf,
  playRule,
  RULES,
  asTrial,
  lotOf,
  ruleDrawn,
  ruleMinutes,
  ruleNote,
  ruleSchema,
  ruleTraits,
  ruleWords,
  FALSE_CLAIMS,
  USUAL_DIFFERENCE,
  tellsApart,
  trialArms,
  withOwn,
  type Arm,
  type TrialRule,
  type Ended,
  type Machine,
  type Progress,
  type Rule,
  type RuleField,
  type RuleGround,
  type RulePutt,
  type RuleState,
} from './rules';
export { tally, tallyRuns, type Tally } from './tally';
export { tradeWords } from './trade-words';
