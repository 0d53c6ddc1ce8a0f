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
    return `Set-up of ${(await getStudent(database, principal, id)).name}`;
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
        title={`${student.name}, set-up`}
        sub={
          last ? `as looked at on ${format(last.at, 'd MMMM yyyy')}` : 'nobody has looked at it yet'
        }
      >
        <Button asChild>
          <Link href={`/students/${student.id}`}>{given}’s record</Link>
        </Button>
        {last && <PrintButton />}
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <div className="grid content-start gap-7 px-4 py-5 md:px-7">
          <section aria-label="The card">
            <h2 className="mb-2 text-[1.25rem] num">The card, to check by</h2>
            {lines.length === 0 ? (
              <p className="max-w-prose text-ink2">
                Start a session with {given}: the set-up card is under the tape list, and it is
                filled from here on by itself. Each time you look at grip, eyes, ball and stance,
                one touch confirms it.
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
            <section aria-label="What fits">
              <h2 className="mb-2 text-[1.25rem] num">What fits {given}</h2>
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
                Nothing has changed from one card to the next. When something does, the putts before
                it are compared with those since, skill by skill.
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
                        Too few putts on one side: twenty of a skill before it and twenty since.
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
                        Between the same putts these changed too, and may be the reason:{' '}
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
                Before and since differ in more than the set-up: practice, greens and days are in it
                too. A trial in alternating sets tells them apart.
              </p>
            )}
          </section>
          <section aria-label="Trials">
            <h2 className="mb-2 text-[1.25rem] num">Trials</h2>
            {trials.length > 0 && <Trials trials={trials} />}
            <p className="mt-2 max-w-prose text-ink2">
              {trials.length === 0 &&
                'Two putters, grips, balls or stances in alternating sets, the order drawn by lot: '}
              <Link href="/drills/trial-putters" className="underline underline-offset-4">
                Putter against putter
              </Link>
              {' · '}
              <Link href="/drills/trial-grips" className="underline underline-offset-4">
                Grip against grip
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
