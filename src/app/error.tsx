'use client';

import { useTranslations } from 'next-intl';
import { unstable_isUnrecognizedActionError } from 'next/navigation';
import { useEffect } from 'react';
import { reloadOnce } from '@/features/shared/fresh-page';
import { Button } from '@/ui/button';

export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  const t = useTranslations();
  // This page is of an older build than the server's.
  const old = unstable_isUnrecognizedActionError(error);
  useEffect(() => {
    if (old) reloadOnce();
  }, [old]);
  return (
    <main className="mx-auto grid max-w-xl gap-4 px-5 py-20">
      <h1>{old ? t('pages.error.dirigoHasBeenUpdated') : t('pages.error.thisPageCouldNotBe')}</h1>
      <p className="text-[1.0625rem] text-ink2">
        {old ? t('pages.error.thisPageIsFromAn') : t('pages.error.nothingThatWasSavedIs')}
      </p>
      <div>
        <Button kind="primary" onClick={old ? () => window.location.reload() : reset}>
          {old ? t('pages.error.reloadPage') : t('pages.error.tryAgain')}
        </Button>
      </div>
    </main>
  );
}
