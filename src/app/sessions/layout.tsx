import { layoutWith } from '@/words/client-messages';

export default layoutWith('drills', 'instruments', 'photo', 'session', 'setup', 'signIn');
