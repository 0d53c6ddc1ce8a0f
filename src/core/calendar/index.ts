export {
  allDaysOffSchema,
  dayAfter,
  dayIn,
  daysBetween,
  daysOffSchema,
  daySchema,
  dayWords,
  fullDayWords,
  mondayOf,
  offOn,
  offWords,
  timeSchema,
  weekdayOf,
  type Day,
  type DaysOff,
} from './days';
export { momentOf, partsOfMoment, typedDay, typedTime } from './typed';
