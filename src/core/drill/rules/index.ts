export type { RuleGround, RulePutt, RuleState } from './machine';
export { endedWords, playRule, type Ended, type Progress } from './play';
