import { wristChange } from './wrist';

export const wristBendChange = wristChange({
  id: 'wristBendChange',
  name: 'Change in lead wrist bend',
  symbol: 'Δb',
  about: 'How much the bend in the lead wrist changes from address to impact.',
  ends: { left: 'more cupped', right: 'more bowed' },
  columns: ['wrist bend change', 'bend address to impact', 'change of wrist bend'],
});
