import { layoutWith } from '@/words/client-messages';

export default layoutWith(
  'academy',
  'accuracy',
  'export',
  'import',
  'instruments',
  'programme',
  'records',
);
