import type { Messages } from './english';
import type { Language } from './language';

declare module 'next-intl' {
  interface AppConfig {
    Locale: Language;
    Messages: Messages;
  }
}
