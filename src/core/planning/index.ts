export {
  FEELS,
  PHOTO_FILE,
  PHOTO_MOST,
  PHOTO_SIDE,
  photoSchema,
  answerSchema,
  leftSchema,
  type Left,
} from './word';
export {
  accuracyOf,
  chancesOf,
  finishFell,
  passesFell,
  reliabilityOf,
  type Accuracy,
  type ChanceAccuracy,
  type Forecast,
  type Reliability,
  type ToldChance,
} from './accuracy';
export { candidatesOf, type Offered, type Planned } from './candidates';
export { coldTestDue } from './cold';
export { chainOf, expectedPutts, goingOn, type Chain, type Kind, type Shares } from './chain';
export { finishOf, hardlyEnds, type Finish, type Odds } from './finish';
export {
  blockSpan,
  endsBy,
  MOST_PUTTS_AN_HOUR,
  proposeHour,
  REST,
  timedOf,
  totalsOf,
  type Candidate,
  type Kept,
  type PlayerTime,
  type Span,
  type Timed,
  type Totals,
  type Wish,
} from './hour';
export { needsOf, needsOfGroup, trainedSchema, type Need } from './needs';
export { oddsOf, teachingRung, type DrillOdds } from './odds';
export { inOrder, PHASES, PHASE_WORDS, phaseOf, type Phase } from './phase';
export { missesMet, unsuited, unsuitedToAny, type ForWhom, type Ground } from './suits';
export { lowerRungs, setUpOf, timeDrill, type Paced, type RungWish } from './timed';
export { setUpFactor, setUpTime, USUAL_PACE, type SetUpSeen } from './times';
export { chanceWithin, reachOf, type Reach } from './reach';
export {
  entryWords,
  programmeOf,
  programmeSchema,
  replan,
  slotSchema,
  type Entry,
  type ProgrammeChange,
  type ProgrammeValues,
  type Slot,
} from './programme';
export { calendarDates, type CalendarDate } from './calendar-in';
export { calendarFile, instantOf, type Dated } from './calendar-file';
export {
  nextBlock,
  planFrame,
  planSchema,
  type PlanBlock,
  type PlanFrame,
  type PlanValues,
} from './plan';
export {
  appointmentSchema,
  homeworkSchema,
  type AppointmentValues,
  type HomeworkValues,
} from './dates';
export { adherenceOf, type HomeworkWeek } from './adherence';
export { corrected, correctionOf, uncorrected, type Corrected } from './correction';
