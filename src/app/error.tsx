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
      <h1>{old ? 'Dirigo has been updated' : 'This page could not be loaded'}</h1>
      <p className="text-[1.0625rem] text-ink2">
        {old
          ? 'This page is from an older version and is being reloaded. What you logged is saved.'
          : 'Nothing that was saved is lost. Try again. If this keeps happening, look at Dirigo’s output where it was started: it names any database file that cannot be read.'}
      </p>
      <div>
        <Button kind="primary" onClick={old ? () => window.location.reload() : reset}>
          {old ? 'Reload page' : 'Try again'}
        </Button>
      </div>
    </main>
  );
}
