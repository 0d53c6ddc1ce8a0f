import { wristAtImpact } from './wrist';

export const wristTurn = wristAtImpact({
  id: 'wristTurn',
  name: 'Lead wrist turn',
  symbol: 'u',
  about: 'How far the lead wrist is turned at impact.',
  ends: { left: 'palm down', right: 'palm up' },
  columns: ['wrist turn', 'lead wrist turn', 'wrist turn impact', 'pronation supination'],
});
