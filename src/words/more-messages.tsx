'use client';

import { NextIntlClientProvider, useLocale, useMessages } from 'next-intl';
import { useMemo, type ReactNode } from 'react';
import type { Messages } from './english';

/** Adds messages to those that the components inside have already. */
export function MoreMessages({
  messages,
  children,
}: {
  messages: Partial<Messages>;
  children: ReactNode;
}) {
  const locale = useLocale();
  const already = useMessages();
  const all = useMemo(() => ({ ...already, ...messages }), [already, messages]);
  return (
    <NextIntlClientProvider locale={locale} messages={all}>
      {children}
    </NextIntlClientProvider>
  );
}
