import type { Metadata } from 'next';
import { getTranslations } from 'next-intl/server';
import type { MessageKey } from './translate';

/**
 * Returns a generateMetadata for a page whose title is the same for everyone.
 *
 * @param more what else the head of the page says, such as that search engines stay away
 * @example export const generateMetadata = pageTitle('pages.titles.drills');
 */
export const pageTitle = (key: MessageKey, more?: Metadata) => async (): Promise<Metadata> => ({
  ...more,
  title: (await getTranslations())(key),
});
