import { faint } from './trend-chart';

test.each([
  ['#000', 'rgb(0 0 0 / 14%)'],
  ['#18212d', 'rgb(24 33 45 / 14%)'],
  ['#efe9db', 'rgb(239 233 219 / 14%)'],
])('the band of %p lets its line show through', (hex, thin) => expect(faint(hex)).toBe(thin));
