import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import type { Metadata } from 'next';
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

export const metadata: Metadata = { title: 'Settings' };

export default async function RecordsPage() {
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
        title="Settings"
        sub="Your units, time zone and green, plus backups, files and erasing"
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
          <section className="grid gap-3" aria-label="Account">
            <h2 className="text-[1.25rem] num">Account</h2>
            <p className="text-[1rem]">
              {coach.name || 'You'}, as {ROLE_WORDS[principal.as].name.toLowerCase()}:{' '}
              {ROLE_WORDS[principal.as].may}.
            </p>
            <div className="flex flex-wrap gap-2.5">
              <Button asChild>
                <Link href="/records/sign-in">Devices and sign-in</Link>
              </Button>
              <Button asChild>
                <Link href="/records/accuracy">Accuracy</Link>
              </Button>
              {principal.as !== 'assistant' && (
                <Button asChild>
                  <Link href="/records/files">Import and export</Link>
                </Button>
              )}
              {principal.as === 'head' && (
                <Button asChild>
                  <Link href="/records/academy">Academy</Link>
                </Button>
              )}
              <Button asChild>
                <a href="/offline?view=phone">Saved on this device</a>
              </Button>
            </div>
          </section>
          {principal.as === 'head' && (
            <section className="grid gap-3" aria-label="Your data">
              <h2 className="text-[1.25rem] num">Your data</h2>
              <p className="text-[1rem]">
                {students.length} students and {putts} putts, in one file on this machine:
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
                    ? `The newest backup was made and checked ${formatDistance(newest.madeAt, new Date(), { addSuffix: true })}.`
                    : 'No backup yet. Dirigo makes the first one in a few seconds.'}
                </p>
              )}
              <p className="text-[0.9375rem] text-ink2">
                Dirigo sends nothing from this machine by itself.
              </p>
              <div className="flex flex-wrap gap-2.5">
                <Button asChild>
                  <Link href="/records/backups">Backups and restore</Link>
                </Button>
                <Button asChild>
                  <a href="/records/backup" download>
                    Download a backup
                  </a>
                </Button>
              </div>
              {erasures.length > 0 && (
                <div>
                  <h3 className="mt-2 cap">Erased at the student’s request</h3>
                  <ul>
                    {erasures.map(({ studentId, at, sessions, putts: erased }) => (
                      <li key={studentId} className="border-b border-hair py-1.5 text-[1rem]">
                        {format(at, 'd MMMM yyyy, HH:mm')}: a student with {sessions}{' '}
                        {sessions === 1 ? 'session' : 'sessions'} and {erased}{' '}
                        {erased === 1 ? 'putt' : 'putts'}
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
