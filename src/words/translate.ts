import type { useTranslations } from 'next-intl';

/** Turns a key of the message catalogue and its values into a sentence of the reader's language. */
export type Translate = ReturnType<typeof useTranslations<never>>;

/** A key of the catalogue, such as "session.review.nextStep". */
export type MessageKey = Parameters<Translate>[0];
