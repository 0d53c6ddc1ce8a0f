export type { Machine, RuleGround, RulePutt, RuleState } from './machine';
export { endedWords, playRule, type Ended, type Progress } from './play';
export {
  RULES,
  machineOf,
  ruleMinutes,
  ruleSchema,
  ruleTraits,
  ruleWords,
  type Rule,
} from './register';
export { count, type RuleField, type RuleTraits } from './rule-kind';
