import { layoutWith } from '@/words/client-messages';

export default layoutWith('programme', 'students');
