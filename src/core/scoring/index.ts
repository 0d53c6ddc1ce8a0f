export { basisOf, cellsOf, type Basis, type Cell, type LoggedPutt, type LoggedRun } from './cells';
export { clearShare, gapForShare } from './clear-share';
export { feelOf, type Feel } from './feel';
export { carry, priorBelief, type Belief } from './gaussian';
export { changeBetween, puttsToSettle, type Change } from './change';
export {
  beliefOfRuns,
  currentScores,
  scoreHistory,
  type LoggedSession,
  type SessionScore,
} from './history';
export { nextGate, passShare, type NextGate } from './next-gate';
export { DEFAULT_FACE_SHARE, KNOWN, LATENTS, SLIP_SHARE, type Latent } from './latents';
export { normals as evenNormals } from './normals';
export { observe } from './posterior';
export { truthsOf, type Truths } from './truths';
export {
  INTERVAL_SHARE,
  SKILLS,
  estimateOf,
  pointsOf,
  scoreOf,
  scoresOf,
  windowsOf,
  type Estimate,
  type Score,
  type Scores,
  type SkillName,
  type SkillPoints,
} from './skills';
export { WINDOW_SHARE, eightInTenWindow } from './window';
export {
  biasIntervalWords,
  biasWords,
  gateOfWindow,
  missWord,
  scoreWords,
  type GateOfWindow,
} from './words';
