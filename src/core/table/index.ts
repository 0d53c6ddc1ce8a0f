export { TEXT_TARGETS, guessMapping, mappingSchema, type Guess, type Mapping } from './mapping';
export { guessDecimal, readNumber, type Decimal } from './number';
export { plusOptions, usualPlus } from './plus';
export { readRow, type ReadRow } from './row';
export { DATE_ORDERS, guessOrder, readTime, readWhen, type DateOrder, type ReadWhen } from './when';
export { listsStudents, studentsIn, type ListedStudent } from './students';
