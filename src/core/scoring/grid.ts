import { DEGREE } from '@/core/units';
import { eightInTenWindow } from './window';

const BIAS_COUNT = 181;
const SPREAD_COUNT = 73;

/** Step between bias values, rad. */
export const BIAS_STEP = 0.05 * DEGREE;
/** Step between log spread values: 0.15° to 7° in 72 steps. */
export const LOG_SPREAD_STEP = Math.log(7 / 0.15) / (SPREAD_COUNT - 1);

/** Bias values of the grid, rad: ±4.5°. */
export const BIASES = Float64Array.from(
  { length: BIAS_COUNT },
  (_, i) => (i - (BIAS_COUNT - 1) / 2) * BIAS_STEP,
);
/** Log spread values of the grid. */
export const LOG_SPREADS = Float64Array.from(
  { length: SPREAD_COUNT },
  (_, j) => Math.log(0.15 * DEGREE) + j * LOG_SPREAD_STEP,
);
/** Spread values of the grid, rad. */
export const SPREADS = LOG_SPREADS.map(Math.exp);

/** Cell of the i-th bias and the j-th spread. */
export const cellOf = (i: number, j: number): number => i * SPREAD_COUNT + j;

/** A value for every cell, from its bias and spread, rad. */
export function overGrid(
  value: (bias: number, spread: number) => number,
): Float64Array<ArrayBuffer> {
  const cells = new Float64Array(BIAS_COUNT * SPREAD_COUNT);
  for (let i = 0; i < BIAS_COUNT; i++) {
    for (let j = 0; j < SPREAD_COUNT; j++) cells[cellOf(i, j)] = value(BIASES[i]!, SPREADS[j]!);
  }
  return cells;
}

/** Rows of the grid on one side of the line, the line included: the window is the same for either side. */
const FOLDED_ROWS = (BIASES.length + 1) / 2;

interface WindowTable {
  /** Cells with no or positive bias, from the narrowest window to the widest, with their window, rad. */
  windows: Float64Array;
  cells: Uint32Array;
  /** The cell of the same size of bias on the other side of the line. */
  mirrors: Uint32Array;
}

let table: WindowTable | undefined;

/** The eight-in-ten window over the grid, in order; the same for every player, so made once. */
export function windowTable(): WindowTable {
  if (table) return table;
  const columns = SPREADS.length;
  const entries = Array.from({ length: FOLDED_ROWS * columns }, (_, k) => {
    const row = Math.floor(k / columns);
    const j = k % columns;
    const i = FOLDED_ROWS - 1 + row;
    return {
      window: eightInTenWindow(BIASES[i]!, SPREADS[j]!),
      cell: cellOf(i, j),
      mirror: cellOf(FOLDED_ROWS - 1 - row, j),
    };
  }).sort((a, b) => a.window - b.window);
  table = {
    windows: Float64Array.from(entries, ({ window }) => window),
    cells: Uint32Array.from(entries, ({ cell }) => cell),
    mirrors: Uint32Array.from(entries, ({ mirror }) => mirror),
  };
  return table;
}
