import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { ownRef } from '@/features/drills/take';
import { startOptions } from '@/features/session/options';
import { StartSession } from '@/features/session/start-session';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const metadata: Metadata = { title: 'New session' };

const query = z.object({
  student: z.uuid().optional().catch(undefined),
  drill: z.string().max(80).optional().catch(undefined),
  green: z.string().max(80).optional().catch(undefined),
  cold: z.literal('1').optional().catch(undefined),
  rung: z.coerce.number().int().min(0).max(20).optional().catch(undefined),
});

export default async function StartPage({ searchParams }: PageProps<'/start'>) {
  const { database, principal, units } = await coachContext();
  const options = await startOptions(database, principal, units);
  if (options.students.length === 0) redirect('/');
  const { student, drill: asked, rung, cold, green } = query.parse(await searchParams);
  // A built-in drill that was taken before is among the coach's own.
  const drill = asked && (await ownRef(database, principal, asked));
  return (
    <>
      <PlaceHead title="New session" sub="Choose who putts, and through which gate" />
      <div className="max-w-xl px-4 py-6 md:px-7">
        <StartSession
          {...options}
          student={student}
          drill={drill}
          green={options.greens.some(({ value }) => value === green) ? green : undefined}
          rung={rung}
          cold={cold === '1'}
        />
      </div>
    </>
  );
}
