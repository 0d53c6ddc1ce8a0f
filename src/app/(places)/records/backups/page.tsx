import type { Metadata } from 'next';
import { formatDistance } from 'date-fns';
import { Link } from '@/ui/link';
import { backupFault, backupFolder, backupState, listBackups, newestBackup } from '@/data';
import { BackupEncryption } from '@/features/records/backup-encryption';
import { BackupFolder } from '@/features/records/backup-folder';
import { BackupsPanel } from '@/features/records/backups-panel';
import { shownPath } from '@/features/records/shown-path';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Backups' };

export default async function BackupsPage() {
  const { database } = await coachContext('head');
  const { path } = database;
  const [backups, state, where] = await Promise.all([
    listBackups(path),
    backupState(path),
    backupFolder(path),
  ]);
  const now = new Date();
  const { folder, key, rehearsed } = state;
  const failed = backupFault(state);
  const newest = newestBackup(backups, now);
  const ago = (at: Date) => formatDistance(at, now, { addSuffix: true });
  return (
    <>
      <PlaceHead
        title="Backups"
        sub={
          newest
            ? `The newest was made and checked ${ago(newest.madeAt)}`
            : 'There is no backup yet'
        }
      >
        <Button asChild>
          <Link href="/records">Settings</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <section className="px-4 py-6 md:px-7" aria-label="Restore">
          {failed && (
            <p role="alert" className="mb-4 border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
              {failed.message} Last tried {ago(failed.at)}.
            </p>
          )}
          <h2 className="mb-2 text-[1.25rem] num">Restore</h2>
          <BackupsPanel backups={backups} now={now} />
        </section>
        <div className="grid content-start gap-8 px-4 py-6 md:px-7">
          <section className="grid gap-4" aria-label="Automatic backups">
            <h2 className="text-[1.25rem] num">Automatic backups</h2>
            <p className="text-[1rem]">
              Dirigo makes a backup every hour in which something was logged, and at least once a
              day. It checks each backup before it deletes an old one, and keeps one for each of the
              last 24 hours, 14 days and 8 weeks in
            </p>
            <p className="border border-rule bg-sheet px-3 py-2 text-sm break-all">
              {shownPath(where)}
            </p>
            <p className="text-[1rem]">
              {rehearsed
                ? rehearsed.problem === null
                  ? `A test restore succeeded ${ago(rehearsed.at)}.`
                  : `A test restore failed ${ago(rehearsed.at)}.`
                : 'Dirigo tests a restore once a day.'}
            </p>
            <BackupFolder folder={folder ?? ''} usual={where} />
          </section>
          <section className="grid gap-4" aria-label="Encryption">
            <h2 className="text-[1.25rem] num">Encryption</h2>
            <BackupEncryption encrypted={key !== null} />
          </section>
          <p className="text-[0.9375rem] text-ink2">
            When Dirigo is stopped, the database is one file that you can copy. While it runs, use a
            backup instead. If Dirigo does not start, <strong>npm run restore</strong> lists the
            backups and restores one.
          </p>
        </div>
      </div>
    </>
  );
}
