import type { Metadata } from 'next';
import { formatDistance } from 'date-fns';
import { Link } from '@/ui/link';
import { copiesFolder, copySettings, listCopies } from '@/data';
import { CopiesFolder } from '@/features/records/copies-folder';
import { CopiesPanel } from '@/features/records/copies-panel';
import { shownPath } from '@/features/records/shown-path';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Copies' };

export default async function CopiesPage() {
  const { database } = await coachContext('head');
  const { path } = database;
  const [copies, { folder, failed }, where] = await Promise.all([
    listCopies(path),
    copySettings(path),
    copiesFolder(path),
  ]);
  const now = new Date();
  const newest = copies.find(({ kind }) => kind === 'copy');
  return (
    <>
      <PlaceHead
        title="Copies"
        sub={
          newest
            ? `the newest was made ${formatDistance(newest.madeAt, now, { addSuffix: true })}, and checked`
            : 'none yet'
        }
      >
        <Button asChild>
          <Link href="/records">Settings</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <section className="px-4 py-6 md:px-7" aria-label="Going back">
          {failed && (
            <p role="alert" className="mb-4 border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
              {failed.message} Tried {formatDistance(failed.at, now, { addSuffix: true })}.
            </p>
          )}
          <h2 className="mb-2 text-[1.25rem] num">Going back</h2>
          <CopiesPanel copies={copies} now={now} />
        </section>
        <section className="grid content-start gap-4 px-4 py-6 md:px-7" aria-label="Making copies">
          <h2 className="text-[1.25rem] num">Made by themselves</h2>
          <p className="text-[1rem]">
            Every hour in which something was logged, each checked before an old one goes. Of the
            last 24 hours, 14 days and 8 weeks one each stays, in
          </p>
          <p className="border border-rule bg-sheet px-3 py-2 text-sm break-all">
            {shownPath(where)}
          </p>
          <CopiesFolder folder={folder ?? ''} usual={where} />
          <p className="text-[0.9375rem] text-ink2">
            While Dirigo runs, its newest putts lie in a second file beside the database, which ends
            in -wal: a database file copied by hand lacks them. Take a copy here, or stop Dirigo
            first. Where it cannot start any more, <strong>npm run restore</strong> lists the copies
            and goes back to one.
          </p>
        </section>
      </div>
    </>
  );
}
