export {
  BEATS_A_MINUTE,
  BEAT_RATIO,
  againstBeat,
  beatRound,
  beatsWithin,
  type Beat,
  type BeatTone,
} from './beat';
export { arcInside, arcTurn, COMMON_ARC, type Swing } from './arc';
export { backstrokeFor, COMMON_RATIO, strokeConstant, type StrokeRoll } from './stops';
export { BLADE, strikeLoss, strikeSpeed, type HeadBody } from './strike-loss';
