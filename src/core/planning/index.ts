export { candidatesOf, type Offered, type Planned, type Refused } from './candidates';
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
  type Proposed,
  type Span,
  type Timed,
  type Totals,
  type Wish,
} from './hour';
export { GOOD, needsOf, needsOfGroup, TRAINED, type Need, type Trained } from './needs';
export { inOrder, PHASES, PHASE_WORDS, phaseOf, type Phase } from './phase';
export { unsuited, type ForWhom, type Ground } from './suits';
export { lowerRungs, setUpOf, timeDrill, type Paced, type RungWish } from './timed';
export { setUpFactor, setUpTime, USUAL_PACE, type SetUpSeen } from './times';
export {
  dayAfter,
  dayIn,
  daysBetween,
  daySchema,
  dayWords,
  mondayOf,
  timeSchema,
  weekdayOf,
  type Day,
} from './days';
export {
  entryWords,
  programmeOf,
  programmeSchema,
  replan,
  slotSchema,
  WORKED,
  type Entry,
  type ProgrammeChange,
  type ProgrammeValues,
  type Slot,
  type Worked,
} from './programme';
export { calendarFile, instantOf, type Dated } from './calendar-file';
export {
  blockSchema,
  nextBlock,
  PLAN_MINUTES,
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
export { adherenceOf, type Adherence, type HomeworkWeek } from './adherence';
