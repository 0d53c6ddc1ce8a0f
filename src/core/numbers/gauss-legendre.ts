/**
 * Returns the nodes of Gauss-Legendre quadrature on -1 to 1 with their weights: the roots of the Legendre polynomial, by Newton's
 * method (Press and others, "Numerical Recipes", section 4.6).
 *
 * @param count how many, 1 or more; an integral of a polynomial up to the degree `2 count - 1` is exact
 * @returns pairs of node and weight, in order
 * @example gaussLegendre(2) // [[-0.577, 1], [0.577, 1]]
 */
export function gaussLegendre(count: number): [node: number, weight: number][] {
  return Array.from({ length: count }, (_, i): [number, number] => {
    let x = -Math.cos((Math.PI * (i + 0.75)) / (count + 0.5));
    let slope = 0;
    for (let step = 0; step < 10; step++) {
      let [value, before] = [1, 0];
      for (let degree = 1; degree <= count; degree++) {
        [value, before] = [((2 * degree - 1) * x * value - (degree - 1) * before) / degree, value];
      }
      slope = (count * (x * value - before)) / (x * x - 1);
      x -= value / slope;
    }
    return [x, 2 / ((1 - x * x) * slope * slope)];
  });
}
