import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
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

export const generateMetadata = pageTitle('titles.backups');

export default async function BackupsPage() {
  const t = await getTranslations();
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
        title={t('pages.recordsBackups.backups')}
        sub={
          newest
            ? t('pages.recordsBackups.theNewestWasMadeAnd', { ago: ago(newest.madeAt) })
            : t('pages.recordsBackups.thereIsNoBackupYet')
        }
      >
        <Button asChild>
          <Link href="/records">{t('pages.recordsBackups.settings')}</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <section className="px-4 py-6 md:px-7" aria-label={t('pages.recordsBackups.restore')}>
          {failed && (
            <p role="alert" className="mb-4 border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
              {t('pages.recordsBackups.lastTried', {
                message: failed.message,
                ago: ago(failed.at),
              })}
            </p>
          )}
          <h2 className="mb-2 text-[1.25rem] num">{t('pages.recordsBackups.restore')}</h2>
          <BackupsPanel backups={backups} now={now} />
        </section>
        <div className="grid content-start gap-8 px-4 py-6 md:px-7">
          <section className="grid gap-4" aria-label={t('pages.recordsBackups.automaticBackups')}>
            <h2 className="text-[1.25rem] num">{t('pages.recordsBackups.automaticBackups')}</h2>
            <p className="text-[1rem]">{t('pages.recordsBackups.dirigoMakesABackupEvery')}</p>
            <p className="border border-rule bg-sheet px-3 py-2 text-sm break-all">
              {shownPath(where)}
            </p>
            <p className="text-[1rem]">
              {rehearsed
                ? rehearsed.problem === null
                  ? t('pages.recordsBackups.aTestRestoreSucceeded', { ago: ago(rehearsed.at) })
                  : t('pages.recordsBackups.aTestRestoreFailed', { ago: ago(rehearsed.at) })
                : t('pages.recordsBackups.dirigoTestsARestoreOnce')}
            </p>
            <BackupFolder folder={folder ?? ''} usual={where} />
          </section>
          <section className="grid gap-4" aria-label={t('pages.recordsBackups.encryption')}>
            <h2 className="text-[1.25rem] num">{t('pages.recordsBackups.encryption')}</h2>
            <BackupEncryption encrypted={key !== null} />
          </section>
          <p className="text-[0.9375rem] text-ink2">
            {t.rich('pages.recordsBackups.whenDirigoIsStoppedThe', {
              strong: (chunks) => <strong>{chunks}</strong>,
            })}
          </p>
        </div>
      </div>
    </>
  );
}
