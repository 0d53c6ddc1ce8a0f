/** The part of odex that the tests and the bench use; its own sources do not pass our compiler options. */
export class Solver {
  constructor(dimension: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  denseOutput: boolean;
  solve(
    derivative: (x: number, y: number[]) => number[],
    x: number,
    y: number[],
    xEnd: number,
    onStep?: (
      step: number,
      xOld: number,
      x: number,
      y: number[],
      interpolate: (component: number, x: number) => number,
    ) => boolean | void,
  ): { y: number[] };
}
