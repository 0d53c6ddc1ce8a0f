/** The languages of the screens. The first is used where a browser asks for none of them. */
export const LANGUAGES = ['en'] as const;

/** A pseudo-language for tests: English, accented and 40 % longer (the code is that of the Unicode CLDR). */
export const PSEUDO = 'en-XA';

/** The cookie that holds a person's language. */
export const LANGUAGE_COOKIE = 'language';

export type Language = (typeof LANGUAGES)[number] | typeof PSEUDO;

const isLanguage = (text: string | undefined): text is Language =>
  text === PSEUDO || LANGUAGES.some((language) => language === text);

/**
 * Returns the language of a request: the person's own choice, else the first that the browser accepts, else English.
 *
 * @param chosen the value of the language cookie
 * @param accepted the Accept-Language header, such as "de-AT,de;q=0.9,en;q=0.8"
 */
export function languageOf(chosen: string | undefined, accepted: string | null): Language {
  if (isLanguage(chosen)) return chosen;
  const wanted = (accepted ?? '')
    .split(',')
    .map((part) => part.split(';')[0]!.trim().split('-')[0]);
  return LANGUAGES.find((language) => wanted.includes(language)) ?? LANGUAGES[0];
}
