import { wristChange } from './wrist';

export const wristCockChange = wristChange({
  id: 'wristCockChange',
  name: 'Lead wrist cock, change',
  symbol: 'Δk',
  about: 'How much the lead wrist is cocked from address to impact.',
  ends: { left: 'more hinged down', right: 'more hinged up' },
  columns: ['wrist cock change', 'cock address to impact', 'change of wrist cock'],
});
