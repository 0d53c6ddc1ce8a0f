import { wristChange } from './wrist';

export const wristTurnChange = wristChange({
  id: 'wristTurnChange',
  name: 'Change in lead wrist turn',
  symbol: 'Δu',
  about: 'How much the turn of the lead wrist changes from address to impact.',
  ends: { left: 'more palm down', right: 'more palm up' },
  columns: ['wrist turn change', 'turn address to impact', 'change of wrist turn'],
});
