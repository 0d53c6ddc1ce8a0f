import { getTranslations } from 'next-intl/server';
import { format } from '@/ui/when';
import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { changeName, effectWords } from '@/core/coaching';
import { adviceOf, emptyCard, fittingHints } from '@/core/setup';
import { asSentence } from '@/core/units';
import { getStudent, listPutters } from '@/data';
import { reckon } from '@/features/reckoning/pool';
import { Putters } from '@/features/setup/putters';
import { Trials } from '@/features/setup/trials';
import { cardLines } from '@/features/setup/words';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound, titled } from '@/features/shared/server';
import { PrintButton } from '@/features/students/print-button';
import { Button } from '@/ui/button';

export const generateMetadata = async ({
  params,
}: PageProps<'/students/[id]/set-up'>): Promise<Metadata> => {
  const t = await getTranslations();
  return titled(t('pages.studentsIdSetUp.setUp'), async ({ database, principal }) => {
    const { id } = await params;
    return t('pages.studentsIdSetUp.sSetUp', {
      student: (await getStudent(database, principal, id)).name,
    });
  });
};

export default async function SetUpPage({ params }: PageProps<'/students/[id]/set-up'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const [{ last, effects, trials, loft }, putters] = await Promise.all([
    reckon('setup', principal, { studentId: student.id }),
    listPutters(database, principal, student.id),
  ]);
  const given = student.name.split(' ')[0]!;
  const card = last?.card ?? emptyCard();
  const lines = cardLines(card, units);
  const advice = adviceOf(card, student.seated, units);
  const inUse = putters[0]!;
  return (
    <>
      <PlaceHead
        title={t('pages.studentsIdSetUp.sSetUp2', { student: student.name })}
        sub={
          last
            ? t('pages.studentsIdSetUp.checkedOn', { date: format(last.at, 'd MMMM yyyy') })
            : t('pages.studentsIdSetUp.notCheckedYet')
        }
      >
        <Button asChild>
          <Link href={`/students/${student.id}`}>
            {t('pages.studentsIdSetUp.sRecord', { given })}
          </Link>
        </Button>
        {last && <PrintButton />}
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <div className="grid content-start gap-7 px-4 py-5 md:px-7">
          <section aria-label={t('pages.studentsIdSetUp.setUpCard')}>
            <h2 className="mb-2 text-[1.25rem] num">{t('pages.studentsIdSetUp.setUpCard')}</h2>
            {lines.length === 0 ? (
              <p className="max-w-prose text-ink2">
                {t('pages.studentsIdSetUp.startASessionWithThe', { given })}
              </p>
            ) : (
              <ul className="grid gap-1.5 text-[1.0625rem] sm:grid-cols-2">
                {lines.map((line) => (
                  <li key={line}>□ {line}</li>
                ))}
              </ul>
            )}
          </section>
          {advice.length > 0 && (
            <section aria-label={t('pages.studentsIdSetUp.setUpAdvice')}>
              <h2 className="mb-2 text-[1.25rem] num">
                {t('pages.studentsIdSetUp.whatSuits', { given })}
              </h2>
              <ul className="grid max-w-prose gap-2 text-[1rem]">
                {advice.map(({ kind, words }) => (
                  <li key={words}>
                    {kind === 'caution' && <strong>{t('pages.studentsIdSetUp.takeCare')} </strong>}
                    {words}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section aria-label={t('pages.studentsIdSetUp.didTheChangeWork')}>
            <h2 className="mb-2 text-[1.25rem] num">
              {t('pages.studentsIdSetUp.didTheChangeWork')}
            </h2>
            {effects.length === 0 ? (
              <p className="max-w-prose text-ink2">
                {t('pages.studentsIdSetUp.noChangesYetAfterA')}
              </p>
            ) : (
              <ul className="grid gap-4">
                {effects.map(({ at, changes, effects: each, meanwhile }) => (
                  <li key={at.toISOString()} className="grid gap-1">
                    <p className="text-[1.0625rem]">
                      <strong>
                        {t('pages.studentsIdSetUp.since', {
                          asSentence: asSentence(changes.map(changeName).join(', ')),
                          date: format(at, 'd MMMM'),
                        })}
                      </strong>{' '}
                      <span className="text-ink2">
                        {t('pages.studentsIdSetUp.was', {
                          changes: changes.map(({ from }) => from).join(', '),
                        })}
                      </span>
                    </p>
                    {each.length === 0 ? (
                      <p className="text-ink2">{t('pages.studentsIdSetUp.notEnoughPuttsYetA')}</p>
                    ) : (
                      <ul className="grid gap-0.5">
                        {effectWords(each).map((line) => (
                          <li key={line}>{asSentence(line)}.</li>
                        ))}
                      </ul>
                    )}
                    {each.length > 0 && meanwhile.length > 0 && (
                      <p className="text-[0.9375rem] text-ink2">
                        {t('pages.studentsIdSetUp.theseAlsoChangedInThe', {
                          meanwhile: meanwhile
                            .map((other) =>
                              t('pages.studentsIdSetUp.on', {
                                changes: other.changes.map(changeName).join(', '),
                                date: format(other.at, 'd MMMM'),
                              }),
                            )
                            .join('; '),
                        })}
                      </p>
                    )}
                  </li>
                ))}
              </ul>
            )}
            {effects.length > 0 && (
              <p className="mt-3 max-w-prose text-sm text-ink2">
                {t('pages.studentsIdSetUp.theSetUpIsNot')}
              </p>
            )}
          </section>
          <section aria-label={t('pages.studentsIdSetUp.trials')}>
            <h2 className="mb-2 text-[1.25rem] num">{t('pages.studentsIdSetUp.trials')}</h2>
            {trials.length > 0 && <Trials trials={trials} />}
            <p className="mt-2 max-w-prose text-ink2">
              {trials.length === 0 && t('pages.studentsIdSetUp.twoPuttersGripsBallsOr')}
              <Link href="/drills/trial-putters" className="underline underline-offset-4">
                {t('pages.studentsIdSetUp.compareTwoPutters')}
              </Link>
              {' · '}
              <Link href="/drills/trial-grips" className="underline underline-offset-4">
                {t('pages.studentsIdSetUp.compareTwoGrips')}
              </Link>
            </p>
          </section>
        </div>
        <section
          aria-label={t('pages.studentsIdSetUp.putters')}
          className="bg-sheet px-4 py-5 md:px-6"
        >
          <h2 className="mb-3 text-[1.25rem] num">{t('pages.studentsIdSetUp.putters')}</h2>
          <Putters
            studentId={student.id}
            putters={putters}
            hints={fittingHints(card, inUse, loft, units)}
            units={units}
            mayChange={principal.as !== 'assistant'}
          />
        </section>
      </div>
    </>
  );
}
