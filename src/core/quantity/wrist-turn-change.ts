import { wristChange } from './wrist';

export const wristTurnChange = wristChange({
  id: 'wristTurnChange',
  name: 'Lead wrist turn, change',
  symbol: 'Δu',
  about: 'How much the lead wrist is turned from address to impact.',
  ends: { left: 'more palm down', right: 'more palm up' },
  columns: ['wrist turn change', 'turn address to impact', 'change of wrist turn'],
});
