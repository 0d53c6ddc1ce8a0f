export {
  DAILY_STEP,
  EdgeTable,
  PRIOR,
  SLIP,
  carry,
  observe,
  priorBelief,
  type Belief,
  type Observation,
} from './belief';
export {
  currentScore,
  scoreHistory,
  startObservations,
  type LoggedRun,
  type LoggedSession,
  type SessionScore,
} from './history';
export { INTERVAL_SHARE, score, type Estimate, type Score } from './score';
export { WINDOW_SHARE, eightInTenWindow } from './window';
export {
  biasIntervalWords,
  biasWords,
  gateOfWindow,
  missWord,
  scoreWords,
  type GateOfWindow,
} from './words';
export { clearShare, gapForShare } from './clear-share';
