import { tzOffset } from '@date-fns/tz';
import type { Metadata, Viewport } from 'next';
import { NextIntlClientProvider } from 'next-intl';
import { getLocale, getTranslations } from 'next-intl/server';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Awake } from '@/features/shared/awake';
import { BUILD } from '@/features/shared/build';
import { FreshPage } from '@/features/shared/fresh-page';
import { EARLY, keepEarly } from '@/features/shared/keep-early';
import { WaitingBanner } from '@/features/offline/waiting-banner';
import { markAway } from '@/features/shared/mark-away';
import { markWaiting } from '@/features/shared/mark-waiting';
import { askingCoach } from '@/features/shared/principal';
import { zoneOfBook } from '@/features/shared/server';
import { WAITING_FLAG } from '@/features/session/waiting-flag';
import { ClientMessages } from '@/words/client-messages';
import { Providers } from '@/features/shared/providers';
import './globals.css';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations();
  const name = t('pages.root.name');
  return {
    title: { default: name, template: `%s · ${name}` },
    description: t('pages.root.whatItIs'),
    applicationName: name,
    appleWebApp: { capable: true, title: name, statusBarStyle: 'default' },
    icons: { icon: '/icon.svg', apple: '/icons/180.png' },
  };
}

export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: '#18212d',
};

/** What the parts of every page say in the browser. */
const EVERYWHERE = [
  'shared',
  'ui',
  'offline',
  'drills.rungWords',
  'session.send',
  'pages.error',
] as const;

/** A function and what it is given, as text that a page runs before anything else. */
const first = <Given,>(does: (given: Given) => void, given: Given): string =>
  `(${does.toString()})(${JSON.stringify(given)})`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const zone = await zoneOfBook();
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  // Known to the page anyway; asked for once a request.
  const coach = await askingCoach().catch(() => null);
  return (
    <html lang={await getLocale()} data-build={BUILD} data-zone={zone} suppressHydrationWarning>
      <body>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{
            __html: `${first(keepEarly, EARLY)};${first(markWaiting, WAITING_FLAG)};${zone ? first(markAway, tzOffset(zone, new Date())) : ''}`,
          }}
        />
        <Providers nonce={nonce}>
          <NextIntlClientProvider messages={{}}>
            <ClientMessages of={EVERYWHERE}>
              <FreshPage build={BUILD} />
              <WaitingBanner asking={coach?.coachId ?? null} />
              {children}
              <Awake />
            </ClientMessages>
          </NextIntlClientProvider>
        </Providers>
      </body>
    </html>
  );
}
