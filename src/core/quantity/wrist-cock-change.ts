import { wristChange } from './wrist';

export const wristCockChange = wristChange({
  id: 'wristCockChange',
  name: 'Change in lead wrist cock',
  symbol: 'Δk',
  about: 'How much the cock of the lead wrist changes from address to impact.',
  ends: { left: 'more hinged down', right: 'more hinged up' },
  columns: ['wrist cock change', 'cock address to impact', 'change of wrist cock'],
});
