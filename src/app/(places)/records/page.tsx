import { relative } from 'node:path';
import type { Metadata } from 'next';
import { listStudents } from '@/data';
import { SettingsForm } from '@/features/records/settings-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { showLength } from '@/core/units';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Records' };

/** Short when the file lies below the folder Dirigo was started in. */
function shownPath(path: string): string {
  const below = relative(process.cwd(), path);
  return below.startsWith('..') ? path : below;
}

export default async function RecordsPage() {
  const { database, owner, coach, units } = await coachContext();
  const students = await listStudents(database, owner);
  const putts = await database.models.putt.count();
  return (
    <>
      <PlaceHead title="Records" sub="your ways, and where your records lie" />
      <div className="grid divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[1fr_400px] lg:divide-x lg:divide-y-0">
        <div>
          <SettingsForm
            key={`${units.long} ${units.short}`}
            units={units}
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
              greenSpeed: showLength(coach.settings.greenSpeed, 'speed', units),
            }}
          />
        </div>
        <section className="grid content-start gap-3 px-4 py-6 md:px-7">
          <h2 className="text-[20px] num">Where they lie</h2>
          <p className="text-[16px]">
            {students.length} students and {putts} putts, in one file on this machine:
          </p>
          <p className="border border-rule bg-sheet px-3 py-2 text-sm break-all">
            {shownPath(database.path)}
          </p>
          <p className="text-[15px] text-ink2">
            Nothing leaves this machine. A copy holds everything; Dirigo opens it again when you
            name it in DIRIGO_DB.
          </p>
          <div>
            <Button asChild>
              <a href="/records/copy" download>
                Take a copy
              </a>
            </Button>
          </div>
        </section>
      </div>
    </>
  );
}
