import { cookies, headers } from 'next/headers';
import { getRequestConfig } from 'next-intl/server';
import { english, type Messages } from './english';
import { LANGUAGE_COOKIE, PSEUDO, languageOf, type Language } from './language';

async function messagesOf(language: Language): Promise<Messages> {
  if (language === PSEUDO) return (await import('./pseudo')).pseudo(english);
  return english;
}

/** The language and the messages of a request; what the framework asks for every page, action and route. */
export default getRequestConfig(async () => {
  const [jar, head] = await Promise.all([cookies(), headers()]);
  const locale = languageOf(jar.get(LANGUAGE_COOKIE)?.value, head.get('accept-language'));
  return { locale, messages: await messagesOf(locale) };
});
