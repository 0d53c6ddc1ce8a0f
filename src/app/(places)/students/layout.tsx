import { layoutWith } from '@/words/client-messages';

export default layoutWith('academy', 'drills', 'session', 'setup', 'students');
