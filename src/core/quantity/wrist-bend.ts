import { wristAtImpact } from './wrist';

export const wristBend = wristAtImpact({
  id: 'wristBend',
  name: 'Lead wrist bend',
  symbol: 'b',
  about: 'How far the lead wrist is bent at impact.',
  ends: { left: 'cupped', right: 'bowed' },
  columns: ['wrist bend', 'lead wrist bend', 'wrist bend impact', 'flexion extension'],
});
