'use client';

import { Button } from '@/ui/button';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto grid max-w-xl gap-4 px-5 py-20">
      <h1>This page could not be made</h1>
      <p className="text-[17px] text-ink2">
        Nothing that was saved is lost. Try again; if it stays so, look at what Dirigo said where it
        was started: a database file that cannot be read is named there.
      </p>
      <div>
        <Button kind="primary" onClick={reset}>
          Try again
        </Button>
      </div>
    </main>
  );
}
