/** A column of a table, as the table schema names it. */
export interface Column {
  name: string;
  type: 'string' | 'number' | 'integer' | 'boolean' | 'datetime' | 'object';
  description: string;
  /** Where it has one: "m", "rad", "deg". */
  unit?: string;
}

export type Cell = string | number | boolean | Date | null;

/** A table: its columns, and what makes a row of it. */
export interface Table<Of> {
  name: string;
  description: string;
  key: string[];
  columns: Column[];
  /** Cells in the order of the columns. */
  rows(of: Of): Cell[][];
}

export const column = (
  name: string,
  type: Column['type'],
  description: string,
  unit?: string,
): Column => ({ name, type, description, ...(unit && { unit }) });

export const string = (name: string, description: string) => column(name, 'string', description);
export const bool = (name: string, description: string) => column(name, 'boolean', description);
export const integer = (name: string, description: string) => column(name, 'integer', description);
export const when = (name: string, description: string) => column(name, 'datetime', description);
export const json = (name: string, description: string) => column(name, 'object', description);
export const metres = (name: string, description: string) =>
  column(name, 'number', description, 'm');

/** A unit as it ends the name of a column. */
export const ending = (unit: string): string =>
  ({ '1': 'share', '%': 'percent', 'm/s': 'm_s' })[unit] ?? unit;
