export { MEASURES, measureIn, type MeasureName, type PhotoReading } from './measure';
export { groundOf, type GroundPicture, type Known, type Pixel } from './plane';
export { SHEETS, cornersOf, type SheetName } from './sheet';
