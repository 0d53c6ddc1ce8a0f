import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { endedWords } from '@/core/drill';
import { homeSession } from '@/data';
import { LeaveWord } from '@/features/home/leave-word';
import { openHome } from '@/features/home/server';
import { blockFacts } from '@/features/session/facts';
import { passWord } from '@/features/session/outcome-words';
import { orNotFound } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.done', {
  robots: { index: false, follow: false },
});

export default async function HomeDonePage({
  params,
}: PageProps<'/home/[token]/sessions/[id]/done'>) {
  const t = await getTranslations();
  const { token, id } = await params;
  const { database, principal } = await openHome(token);
  const session = await orNotFound(homeSession(database, principal, id));
  return (
    <main className="mx-auto grid min-h-dvh max-w-2xl content-start gap-5 bg-sheet px-5 py-8">
      <h1>{t('pages.homeSessionsIdDone.doneAndSaved')}</h1>
      {blockFacts(session).map(({ last, counts, progress }) => (
        <section key={last.id} aria-label={last.drillName}>
          <h2 className="cap">{last.drillName}</h2>
          <p className="text-[2.5rem] leading-tight num">
            {counts.clear}{' '}
            <span className="text-[1.25rem]">
              {t('pages.homeSessionsIdDone.of', { seen: counts.seen })}
            </span>
          </p>
          <p className="text-[1.0625rem]">
            {t('pages.homeSessionsIdDone.longestStreak', {
              passWord: passWord(last.layout),
              best: counts.best,
            })}{' '}
            {endedWords(progress, last.cap)}
          </p>
        </section>
      ))}
      <p className="text-[1rem] text-ink2">{t('pages.homeSessionsIdDone.yourCoachCanSeeIt')}</p>
      {session.homeworkId && <LeaveWord token={token} homework={session.homeworkId} />}
      <div>
        <Button asChild kind={session.homeworkId ? 'plain' : 'primary'}>
          <Link href={`/home/${token}`}>{t('pages.homeSessionsIdDone.backToYourPage')}</Link>
        </Button>
      </div>
    </main>
  );
}
