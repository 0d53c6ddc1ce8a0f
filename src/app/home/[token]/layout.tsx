import { layoutWith } from '@/words/client-messages';

export default layoutWith('drills', 'home', 'photo', 'session', 'setup', 'students');
