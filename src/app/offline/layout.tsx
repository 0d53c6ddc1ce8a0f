import { layoutWith } from '@/words/client-messages';

export default layoutWith('drills', 'photo', 'session', 'setup');
