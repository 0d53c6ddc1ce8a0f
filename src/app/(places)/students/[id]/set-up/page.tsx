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

export const generateMetadata = ({
  params,
}: PageProps<'/students/[id]/set-up'>): Promise<Metadata> =>
  titled('Set-up', async ({ database, principal }) => {
    const { id } = await params;
    return `${(await getStudent(database, principal, id)).name}’s set-up`;
  });

export default async function SetUpPage({ params }: PageProps<'/students/[id]/set-up'>) {
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
        title={`${student.name}’s set-up`}
        sub={last ? `Checked on ${format(last.at, 'd MMMM yyyy')}` : 'Not checked yet'}
      >
        <Button asChild>
          <Link href={`/students/${student.id}`}>{given}’s record</Link>
        </Button>
        {last && <PrintButton />}
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <div className="grid content-start gap-7 px-4 py-5 md:px-7">
          <section aria-label="Set-up card">
            <h2 className="mb-2 text-[1.25rem] num">Set-up card</h2>
            {lines.length === 0 ? (
              <p className="max-w-prose text-ink2">
                Start a session with {given}. The set-up card is under the tape list, and from then
                on it fills itself in. Each time you check grip, eyes, ball and stance, one tap
                confirms it.
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
            <section aria-label="Set-up advice">
              <h2 className="mb-2 text-[1.25rem] num">What suits {given}</h2>
              <ul className="grid max-w-prose gap-2 text-[1rem]">
                {advice.map(({ kind, words }) => (
                  <li key={words}>
                    {kind === 'caution' && <strong>Take care. </strong>}
                    {words}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section aria-label="Did the change work?">
            <h2 className="mb-2 text-[1.25rem] num">Did the change work?</h2>
            {effects.length === 0 ? (
              <p className="max-w-prose text-ink2">
                No changes yet. After a change, Dirigo compares the putts before it with the putts
                since, skill by skill.
              </p>
            ) : (
              <ul className="grid gap-4">
                {effects.map(({ at, changes, effects: each, meanwhile }) => (
                  <li key={at.toISOString()} className="grid gap-1">
                    <p className="text-[1.0625rem]">
                      <strong>
                        {asSentence(changes.map(changeName).join(', '))} since{' '}
                        {format(at, 'd MMMM')}
                      </strong>{' '}
                      <span className="text-ink2">
                        (was {changes.map(({ from }) => from).join(', ')})
                      </span>
                    </p>
                    {each.length === 0 ? (
                      <p className="text-ink2">
                        Not enough putts yet: a skill needs twenty before the change and twenty
                        since.
                      </p>
                    ) : (
                      <ul className="grid gap-0.5">
                        {effectWords(each).map((line) => (
                          <li key={line}>{asSentence(line)}.</li>
                        ))}
                      </ul>
                    )}
                    {each.length > 0 && meanwhile.length > 0 && (
                      <p className="text-[0.9375rem] text-ink2">
                        These also changed in the same period and may be the reason:{' '}
                        {meanwhile
                          .map(
                            (other) =>
                              `${other.changes.map(changeName).join(', ')} on ${format(other.at, 'd MMMM')}`,
                          )
                          .join('; ')}
                        .
                      </p>
                    )}
                  </li>
                ))}
              </ul>
            )}
            {effects.length > 0 && (
              <p className="mt-3 max-w-prose text-sm text-ink2">
                The set-up is not the only difference between before and since: practice, greens and
                days differ too. A trial in alternating sets tells them apart.
              </p>
            )}
          </section>
          <section aria-label="Trials">
            <h2 className="mb-2 text-[1.25rem] num">Trials</h2>
            {trials.length > 0 && <Trials trials={trials} />}
            <p className="mt-2 max-w-prose text-ink2">
              {trials.length === 0 &&
                'Two putters, grips, balls or stances in alternating sets, in random order: '}
              <Link href="/drills/trial-putters" className="underline underline-offset-4">
                Compare two putters
              </Link>
              {' · '}
              <Link href="/drills/trial-grips" className="underline underline-offset-4">
                Compare two grips
              </Link>
            </p>
          </section>
        </div>
        <section aria-label="Putters" className="bg-sheet px-4 py-5 md:px-6">
          <h2 className="mb-3 text-[1.25rem] num">Putters</h2>
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
