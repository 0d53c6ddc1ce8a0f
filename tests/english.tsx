import { NextIntlClientProvider } from 'next-intl';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { english } from '@/words/english';
import { intoEnglish } from '@/words/translator';

/** The English messages, for tests of functions that take a translator. */
export const t = intoEnglish();

/** A component as HTML, in English. */
export const htmlOf = (node: ReactNode): string =>
  renderToStaticMarkup(
    <NextIntlClientProvider locale="en" messages={english}>
      {node}
    </NextIntlClientProvider>,
  );
