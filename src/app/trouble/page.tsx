import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { Problem, connection } from '@/data';
import { isLoopback } from '@/features/shared/border';

export const metadata: Metadata = { title: 'Your data cannot be read' };

/** What is wrong with the database, and the way back, when no other page can be made. */
export default async function TroublePage() {
  await untilRequested();
  const problem = await connection().then(
    () => null,
    (error: unknown) => error,
  );
  if (!problem) redirect('/');
  // Where the file lies is told on its own machine only.
  const here = isLoopback((await headers()).get('host') ?? '');
  return (
    <main className="mx-auto grid max-w-xl gap-4 px-5 py-20">
      <h1>Your data cannot be read</h1>
      {here && problem instanceof Problem && (
        <p className="text-[1.0625rem] break-words">{problem.message}</p>
      )}
      <p className="text-[1.0625rem] text-ink2">
        Nothing is changed until you say so. Stop Dirigo on the machine that it runs on. This
        command then lists the backups and restores one:
      </p>
      <p className="border border-rule bg-sheet px-3 py-2 font-[600]">npm run restore</p>
      <p className="text-[1.0625rem] text-ink2">
        Putts logged on phones in the meantime stay on them, and are saved once Dirigo runs again.
      </p>
    </main>
  );
}
