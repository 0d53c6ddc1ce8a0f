import { gaussLegendre } from '.';

test.each([
  // Abramowitz and Stegun 1964, table 25.4.
  [6, 0, -0.932469514203152, 0.17132449237917],
  [8, 5, 0.525532409916329, 0.313706645877887],
  [10, 9, 0.973906528517172, 0.066671344308688],
  [20, 10, 0.076526521133497, 0.152753387130726],
])('of %p nodes, number %p is the one of the table', (count, index, node, weight) => {
  const [x, w] = gaussLegendre(count)[index]!;
  expect(x).toBeCloseTo(node, 13);
  expect(w).toBeCloseTo(weight, 13);
});

test('integrates a polynomial of the degree that it should, exactly', () => {
  // The integral of x^8 over -1 to 1 is 2/9: five nodes are enough, four are not.
  const integral = (count: number) =>
    gaussLegendre(count).reduce((sum, [x, w]) => sum + w * x ** 8, 0);
  expect(integral(5)).toBeCloseTo(2 / 9, 14);
  expect(Math.abs(integral(4) - 2 / 9)).toBeGreaterThan(1e-3);
});
