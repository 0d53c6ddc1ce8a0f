import { layoutWith } from '@/words/client-messages';

export default layoutWith('academy', 'drills', 'instruments', 'photo', 'session');
