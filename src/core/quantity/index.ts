export {
  addQuantity,
  biasMisses,
  isQuantity,
  isTrained,
  latents,
  quantities,
  quantityOf,
  trainedIds,
} from './register';
export type { BiasMiss, Instrument, Prior, Quantity, Training } from './quantity';
export { UNITS, shownUnit, siUnit, unitNamed, type Dimension, type Unit } from './unit';
export {
  completed,
  measuredProblem,
  measuredSchema,
  measuredValueSchema,
  type MeasuredValue,
  type MeasuredValues,
} from './measured';
export { lineSchema, readLine, type Line, type ReadLine } from './line';
export { showAmount, showInterval, showValue } from './words';
