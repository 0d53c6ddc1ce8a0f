import { wristAtImpact } from './wrist';

export const wristCock = wristAtImpact({
  id: 'wristCock',
  name: 'Lead wrist cock',
  symbol: 'k',
  about: 'How far the lead wrist is cocked at impact.',
  ends: { left: 'hinged down', right: 'hinged up' },
  columns: ['wrist cock', 'lead wrist cock', 'wrist cock impact', 'radial ulnar'],
});
