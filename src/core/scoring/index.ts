export { addBasis, basisOf, noBasis, type Basis } from './basis';
export { findingsOf, type Cell, type Findings, type LoggedRun, type Unscored } from './cells';
export { clearShare, gapForShare } from './clear-share';
export { feelOf, type Feel } from './feel';
export { beliefFrom, plainBelief, priorBelief, type Belief, type PlainBelief } from './gaussian';
export {
  SETTLED,
  changeBetween,
  differenceOf,
  endsOf,
  logWindow,
  puttsToSettle,
  type Change,
  type Difference,
  type Moments,
  type ToSettle,
} from './change';
export {
  beliefOfRuns,
  currentScores,
  scoreHistory,
  unscoredOf,
  type LoggedSession,
  type SessionScore,
} from './history';
export { instrumentWords, relativeTo, type InstrumentOff } from './instruments';
export { SUCCESS, nextGate, passShare, type NextGate, type Settable } from './next-gate';
export {
  DEFAULT_FACE_SHARE,
  SLIP_SHARE,
  biasAt,
  knownOf,
  latentIds,
  partsOf,
  steeringIds,
  type Latent,
} from './latents';
export { SKILLS, type ByQuantity, type SkillName } from './by-quantity';
export { normals as evenNormals } from './normals';
export { playerDraws, resultChances } from './player-draws';
export { observe } from './posterior';
export { truthsOf, type Truths } from './truths';
export {
  INTERVAL_SHARE,
  estimateOf,
  pointsOf,
  scoreOf,
  scoresOf,
  windowsOf,
  type Estimate,
  type Score,
  type Scores,
  type SkillPoints,
} from './skills';
export { beliefLater, beliefsLater } from './wander';
export { WINDOW_SHARE, eightInTenWindow } from './window';
export {
  biasIntervalWords,
  biasWords,
  gateOfWindow,
  missWord,
  scoreBias,
  scoreBiasInterval,
  scoreWords,
  type GateOfWindow,
} from './words';
