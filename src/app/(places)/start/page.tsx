import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { listSessions } from '@/data';
import { ownRef, summaryOf } from '@/features/drills/take';
import { DrillPreview } from '@/features/session/drill-preview';
import { startOptions } from '@/features/session/options';
import { StartSession } from '@/features/session/start-session';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newSession');

const query = z.object({
  student: z.uuid().optional().catch(undefined),
  drill: z.string().max(80).optional().catch(undefined),
  green: z.string().max(80).optional().catch(undefined),
  cold: z.literal('1').optional().catch(undefined),
  rung: z.coerce.number().int().min(0).max(20).optional().catch(undefined),
});

export default async function StartPage({ searchParams }: PageProps<'/start'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const options = await startOptions(t, database, principal, units);
  if (options.students.length === 0) redirect('/');
  const { student, drill: asked, rung, cold, green } = query.parse(await searchParams);
  // A built-in drill that was taken before is among the coach's own.
  const drill = asked && (await ownRef(database, principal, asked));
  const known = options.students.find(({ value }) => value === student);
  const chosen = drill ? await summaryOf(t, database, principal, drill, units) : null;
  return (
    <>
      <PlaceHead
        title={t('pages.start.newSession')}
        sub={t('pages.start.chooseWhoPuttsAndThrough')}
      />
      <div className="grid gap-x-12 gap-y-8 px-4 py-6 md:px-7 lg:grid-cols-[minmax(0,34rem)_minmax(0,1fr)]">
        <StartSession
          {...options}
          shows
          student={student}
          drill={drill}
          green={options.greens.some(({ value }) => value === green) ? green : undefined}
          rung={rung}
          cold={cold === '1'}
        />
        {chosen && (
          <DrillPreview
            drill={chosen}
            sessions={
              known ? await listSessions(database, principal, { studentId: known.value }) : []
            }
            given={known?.label.split(' ')[0] ?? null}
            units={units}
          />
        )}
      </div>
    </>
  );
}
