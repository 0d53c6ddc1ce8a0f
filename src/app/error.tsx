'use client';

import { unstable_isUnrecognizedActionError } from 'next/navigation';
import { useEffect } from 'react';
import { reloadOnce } from '@/features/shared/fresh-page';
import { Button } from '@/ui/button';

export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  // This page is of an older build than the server's.
  const old = unstable_isUnrecognizedActionError(error);
  useEffect(() => {
    if (old) reloadOnce();
  }, [old]);
  return (
    <main className="mx-auto grid max-w-xl gap-4 px-5 py-20">
      <h1>{old ? 'Dirigo was renewed' : 'This page could not be made'}</h1>
      <p className="text-[1.0625rem] text-ink2">
        {old
          ? 'This page was of an older version, and is being loaded again. What you logged is kept.'
          : 'Nothing that was saved is lost. Try again; if it stays so, look at what Dirigo said where it was started: a database file that cannot be read is named there.'}
      </p>
      <div>
        <Button kind="primary" onClick={old ? () => window.location.reload() : reset}>
          {old ? 'Load it again' : 'Try again'}
        </Button>
      </div>
    </main>
  );
}
