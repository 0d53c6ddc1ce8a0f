import { usualUnits } from './usual-units';

it.each([
  ['en-US,en;q=0.9', 'imperial'],
  ['en-GB', 'imperial'],
  ['en', 'imperial'],
  [null, 'imperial'],
  ['de-DE,de;q=0.9,en-US;q=0.8', 'metric'],
  ['de,en-US;q=0.7', 'imperial'],
  ['nl', 'metric'],
  ['en-AU', 'metric'],
] as const)('of %p are %s', (languages, units) => expect(usualUnits(languages)).toBe(units));
