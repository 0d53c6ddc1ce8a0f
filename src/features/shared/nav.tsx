'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { Link } from '@/ui/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { PLACES } from './places';

/** Down the side on a laptop, along the foot on a phone. */
export function Nav({
  places = PLACES.map(({ href }) => href),
  children,
}: {
  /** Those that are shown: not all are an assistant's. */
  places?: string[];
  children?: ReactNode;
}) {
  const t = useTranslations();
  const path = usePathname();
  const here = (href: string) => (href === '/' ? path === '/' : path.startsWith(href));
  return (
    <nav
      aria-label={t('shared.nav.mainMenu')}
      className="fixed inset-x-0 bottom-0 z-20 flex border-t-[length:var(--stroke)] border-ink bg-paper md:sticky md:top-0 md:h-dvh md:w-[148px] md:flex-col md:gap-1 md:border-t-0 md:border-r-[length:var(--stroke)] md:pt-6 md:pb-5 md:pl-6"
    >
      <span className="mb-6 hidden text-[1.25rem] font-[800] tracking-tight [font-stretch:112%] md:block">
        {t('shared.nav.dirigo')}
      </span>
      {PLACES.filter(({ href }) => places.includes(href)).map(({ key, name, href }) => (
        <Link
          key={href}
          href={href}
          aria-current={here(href) ? 'page' : undefined}
          className={clsx(
            'flex min-h-14 flex-1 items-center justify-center gap-2 text-[0.90625rem] [font-stretch:80%] md:min-h-10 md:flex-none md:justify-start md:text-[1rem] md:[font-stretch:90%]',
            here(href)
              ? 'border-t-4 border-line font-[720] text-ink md:border-t-0 md:border-r-[5px]'
              : 'border-t-4 border-transparent font-[560] text-ink2 md:border-t-0',
          )}
        >
          <span
            className={clsx('hidden w-3 cap text-[0.75rem] md:inline', here(href) && 'text-line')}
          >
            {key}
          </span>
          {t(name)}
        </Link>
      ))}
      <div className="mt-auto hidden pr-4 md:grid md:gap-3">
        {children}
        <p className="text-[0.84375rem] leading-relaxed text-ink2">
          {t('shared.nav.ctrlKSearch')}
          <br />
          {t('shared.nav.shortcuts')}
        </p>
      </div>
    </nav>
  );
}
