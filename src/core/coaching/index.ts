export { READS_ENOUGH, readingWords, tellReading, type ReadingTold } from './reading';
export { aimWords, tellAim, type AimAndStroke } from './aim';
export {
  checkWords,
  checksOf,
  effectOfCheckWords,
  likelyLarger,
  rateOf,
  type Check,
  type Rate,
} from './checks';
export { gateFit, gateFitWords, rateBelow, TEACHING, type GateFit } from './gate-fit';
export { missCause, ownLines, type MissCause, type OwnLine } from './miss-cause';
export { NO_COUNTS, readMisses, type Finding, type Known, type MissCounts } from './misses';
export { nextStep, type NextStep } from './next-step';
export { whatIsNew, type DrillFacts } from './news';
export {
  changeName,
  effectWords,
  effectsOf,
  setupChanges,
  type DatedCard,
  type SetupChange,
  type SetupEffect,
  type SkillEffect,
} from './setup-effect';
export { relationWords, relationsOf, type Relation } from './relations';
export { rollRows, tellRolls, type RollRow, type RollTable } from './roll-table';
export { standingsWords, type Standing } from './standings';
export {
  judged,
  trialsOf,
  verdictWords,
  type Trial,
  type TrialRun,
  type TrialSkill,
} from './trial';
export { USUAL_SLOPE, gains, worthByDistance, type Gain, type Worth } from './worth';
