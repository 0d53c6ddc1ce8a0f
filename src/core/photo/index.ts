export { MEASURES, measureIn, type MeasureName, type PhotoReading } from './measure';
export { groundOf, type GroundPicture, type Known, type Pixel } from './plane';
export { NO_REPEATS, repeated, touchErrorOf, type Repeats, type TouchError } from './touch-error';
export { SHEETS, cornersOf, type SheetName } from './sheet';
