import { wristChange } from './wrist';

export const wristBendChange = wristChange({
  id: 'wristBendChange',
  name: 'Lead wrist bend, change',
  symbol: 'Δb',
  about: 'How much the lead wrist is bent from address to impact.',
  ends: { left: 'more cupped', right: 'more bowed' },
  columns: ['wrist bend change', 'bend address to impact', 'change of wrist bend'],
});
