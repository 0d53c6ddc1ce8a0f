export type { Machine, RuleGround, RulePutt, RuleState } from './machine';
export { endedWords, playRule, type Ended, type Progress } from './play';
export {
  RULES,
  machineOf,
  lotOf,
  ruleDrawn,
  ruleMinutes,
  ruleNote,
  ruleSchema,
  ruleTraits,
  ruleWords,
  type Rule,
} from './register';
export {
  FALSE_CLAIMS,
  USUAL_DIFFERENCE,
  asTrial,
  tellsApart,
  trialArms,
  withOwn,
  type Arm,
  type TrialRule,
} from './trial';
export { count, type RuleField, type RuleTraits } from './rule-kind';
