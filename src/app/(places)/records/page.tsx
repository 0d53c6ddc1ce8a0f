import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import {
  backupFault,
  backupState,
  listBackups,
  newestBackup,
  listErasures,
  listStudents,
} from '@/data';
import { ROLE_WORDS } from '@/features/academy/role-words';
import { SettingsForm } from '@/features/records/settings-form';
import { shownPath } from '@/features/records/shown-path';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { dayIn } from '@/core/calendar';
import { showLength } from '@/core/units';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.settings');

export default async function RecordsPage() {
  const t = await getTranslations();
  const { database, principal, coach, units } = await coachContext();
  const students = await listStudents(database, principal);
  const putts = await database.models.putt.count();
  const { path } = database;
  const newest = newestBackup(await listBackups(path), new Date());
  const failed = backupFault(await backupState(path));
  const erasures = principal.as === 'head' ? await listErasures(database) : [];
  return (
    <>
      <PlaceHead
        title={t('pages.records.settings')}
        sub={t('pages.records.yourUnitsTimeZoneAnd')}
      />
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_400px] lg:divide-x lg:divide-y-0">
        <div>
          <SettingsForm
            key={`${units.long} ${units.short}`}
            units={units}
            today={dayIn(new Date(), coach.settings.zone)}
            values={{
              name: coach.name,
              units: {
                ...units,
                own: {
                  step: showLength(units.own.step, 'along', units),
                  putter: showLength(units.own.putter, 'along', units),
                  club: showLength(units.own.club, 'along', units),
                },
              },
              pace: coach.settings.pace,
              zone: coach.settings.zone,
              faceShare: coach.settings.faceShare,
              daysOff: coach.settings.daysOff,
              greenSpeed: showLength(coach.settings.greenSpeed, 'speed', units),
            }}
          />
        </div>
        <div className="grid content-start gap-8 px-4 py-6 md:px-7">
          <section className="grid gap-3" aria-label={t('pages.records.account')}>
            <h2 className="text-[1.25rem] num">{t('pages.records.account')}</h2>
            <p className="text-[1rem]">
              {t('pages.records.as', {
                coach: coach.name || t('pages.records.you'),
                role: ROLE_WORDS[principal.as].name.toLowerCase(),
                may: ROLE_WORDS[principal.as].may,
              })}
            </p>
            <div className="flex flex-wrap gap-2.5">
              <Button asChild>
                <Link href="/records/sign-in">{t('pages.records.devicesAndSignIn')}</Link>
              </Button>
              <Button asChild>
                <Link href="/records/accuracy">{t('pages.records.accuracy')}</Link>
              </Button>
              {principal.as !== 'assistant' && (
                <Button asChild>
                  <Link href="/records/files">{t('pages.records.importAndExport')}</Link>
                </Button>
              )}
              {principal.as === 'head' && (
                <Button asChild>
                  <Link href="/records/academy">{t('pages.records.academy')}</Link>
                </Button>
              )}
              <Button asChild>
                <a href="/offline?view=phone">{t('pages.records.savedOnThisDevice')}</a>
              </Button>
            </div>
          </section>
          {principal.as === 'head' && (
            <section className="grid gap-3" aria-label={t('pages.records.yourData')}>
              <h2 className="text-[1.25rem] num">{t('pages.records.yourData')}</h2>
              <p className="text-[1rem]">
                {t('pages.records.studentsAndPuttsInOne', { students: students.length, putts })}
              </p>
              <p className="border border-rule bg-sheet px-3 py-2 text-sm break-all">
                {shownPath(database.path)}
              </p>
              {failed ? (
                <p
                  role="alert"
                  className="border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]"
                >
                  {failed.message}
                </p>
              ) : (
                <p className="text-[1rem]">
                  {newest
                    ? t('pages.records.theNewestBackupWasMade', {
                        madeAt: formatDistance(newest.madeAt, new Date(), { addSuffix: true }),
                      })
                    : t('pages.records.noBackupYetDirigoMakes')}
                </p>
              )}
              <p className="text-[0.9375rem] text-ink2">
                {t('pages.records.dirigoSendsNothingFromThis')}
              </p>
              <div className="flex flex-wrap gap-2.5">
                <Button asChild>
                  <Link href="/records/backups">{t('pages.records.backupsAndRestore')}</Link>
                </Button>
                <Button asChild>
                  <a href="/records/backup" download>
                    {t('pages.records.downloadABackup')}
                  </a>
                </Button>
              </div>
              {erasures.length > 0 && (
                <div>
                  <h3 className="mt-2 cap">{t('pages.records.erasedAtTheStudentsRequest')}</h3>
                  <ul>
                    {erasures.map(({ studentId, at, sessions, putts: erased }) => (
                      <li key={studentId} className="border-b border-hair py-1.5 text-[1rem]">
                        {t('pages.records.aStudentWithSessionAnd', {
                          date: format(at, 'd MMMM yyyy, HH:mm'),
                          sessions,
                          erased,
                        })}
                      </li>
                    ))}
                  </ul>
                </div>
              )}
            </section>
          )}
        </div>
      </div>
    </>
  );
}
