export type { Machine, RuleGround, RulePutt, RuleState } from './machine';
export { endedWords, playRule, type Ended, type Progress } from './play';
export { machineOf } from './register';
