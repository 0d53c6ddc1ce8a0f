import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { Problem, connection } from '@/data';
import { isLoopback } from '@/features/shared/border';

/** Typed into a terminal: it is the same in every language. */
const COMMAND = 'npm run restore';

export const generateMetadata = pageTitle('titles.yourDataCannotBeRead');

/** What is wrong with the database, and the way back, when no other page can be made. */
export default async function TroublePage() {
  const t = await getTranslations();
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
      <h1>{t('pages.trouble.yourDataCannotBeRead')}</h1>
      {here && problem instanceof Problem && (
        <p className="text-[1.0625rem] break-words">{problem.message}</p>
      )}
      <p className="text-[1.0625rem] text-ink2">{t('pages.trouble.nothingIsChangedUntilYou')}</p>
      <p className="border border-rule bg-sheet px-3 py-2 font-[600]">{COMMAND}</p>
      <p className="text-[1.0625rem] text-ink2">{t('pages.trouble.puttsLoggedOnPhonesIn')}</p>
    </main>
  );
}
