import { format } from 'date-fns';
import type { Metadata } from 'next';
import Link from 'next/link';
import { makeWindow } from '@/core/green';
import { ballGateOf } from '@/core/layout';
import { gateOfWindow, scoreWords } from '@/core/scoring';
import { settable, showDegrees, showLength } from '@/core/units';
import { counted, getStudent } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { ArchiveButton } from '@/features/shared/archive-button';
import { coachContext, orNotFound, studentHistory } from '@/features/shared/server';
import { setArchived } from '@/features/students/actions';
import { ScoreRuler } from '@/features/students/score-ruler';
import { ScoreTable } from '@/features/students/score-table';
import { Trend } from '@/features/students/trend';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Student' };

export default async function StudentPage({ params }: PageProps<'/students/[id]'>) {
  const { database, owner, units } = await coachContext();
  const student = await orNotFound(getStudent(database, owner, (await params).id));
  const { sessions, scores } = await studentHistory(student.id);
  const putts = sessions.flatMap(({ runs }) => runs.flatMap((run) => counted(run.putts))).length;
  const first = scores[0];
  const last = scores.at(-1);
  const layout = sessions.find(({ id }) => id === last?.id)?.runs.at(-1)?.layout;
  const given = student.name.split(' ')[0];
  const across = (metres: number) => showLength(settable(metres, units, 'up'), 'across', units);
  return (
    <>
      <PlaceHead
        title={student.name}
        sub={[
          `${student.hand}-handed`,
          student.seated && 'seated',
          student.level,
          `head ${showLength(student.putter.headLength, 'across', units)} by ${showLength(student.putter.headDepth, 'across', units)}`,
          `${scores.length} sessions, ${putts} putts${first ? ` since ${format(first.at, 'd MMMM')}` : ''}`,
          student.archivedAt && 'archived',
        ]
          .filter(Boolean)
          .join(' · ')}
      >
        <ArchiveButton
          name={student.name}
          archived={student.archivedAt !== null}
          set={setArchived.bind(null, student.id)}
        />
        <Button asChild>
          <Link href={`/students/${student.id}/edit`}>Edit</Link>
        </Button>
        {!student.archivedAt && (
          <Button asChild kind="primary">
            <Link href={`/start?student=${student.id}`}>Start session</Link>
          </Button>
        )}
      </PlaceHead>
      {!last || !layout ? (
        <Empty title={`Nothing is known of ${given}’s start line yet`}>
          <p>
            Start a session through a roomy gate, about 12 mm of air either side of the ball. Twenty
            putts give a first, wide answer; fifty a useful one.
          </p>
        </Empty>
      ) : (
        <>
          <div className="border-b-[length:var(--stroke)] border-ink">
            <p className="bg-sheet px-5 pt-3 text-sm text-ink2 md:px-7">
              Eight of ten putts start inside the bar; its pale ends are what is not yet certain.
              The ring is where they centre.
            </p>
            <ScoreRuler
              name="Start line"
              basis={`${putts} putts`}
              score={last.carried}
              hand={student.hand}
              layout={layout}
              units={units}
            />
          </div>
          <div className="grid divide-y divide-rule lg:grid-cols-[1fr_400px] lg:divide-x lg:divide-y-0">
            <section className="flex flex-col px-4 py-4 md:px-7" aria-label="Trend">
              <h2 className="mb-1 flex flex-wrap justify-between gap-x-4 cap">
                <span>Start line, eight-in-ten window by session; the band holds it with 80 %</span>
                <span className="text-hole">
                  – – as wide as the hole at {showLength(layout.putt.distance, 'putt', units)}
                </span>
              </h2>
              <div className="relative min-h-[290px] flex-1">
                <div className="absolute inset-0">
                  <Trend
                    hole={makeWindow(layout.putt).right}
                    holeName={`the hole at ${showLength(layout.putt.distance, 'putt', units)}`}
                    rows={scores.map(({ at, putts: count, carried }) => ({
                      at,
                      putts: count,
                      window: carried.window,
                    }))}
                  />
                </div>
              </div>
            </section>
            <section className="grid content-start gap-4 px-4 py-4 md:px-6" aria-label="In words">
              <div>
                <h2 className="mb-1 cap">In words</h2>
                <p className="text-[18px] leading-snug">
                  <strong>
                    {given}{' '}
                    {scoreWords(last.carried, student.hand, units, ballGateOf(layout) ?? undefined)}
                    .
                  </strong>
                </p>
                <GateInterval
                  gap={gateOfWindow(last.carried.window, ballGateOf(layout) ?? undefined).gap}
                  across={across}
                />
                {first && first !== last && (
                  <p className="mt-2 text-ink2">
                    On {format(first.at, 'd MMMM')} the window was ±
                    {showDegrees(first.carried.window.middle)} (
                    {showDegrees(first.carried.window.low)} to{' '}
                    {showDegrees(first.carried.window.high)}); now ±
                    {showDegrees(last.carried.window.middle)}.
                  </p>
                )}
              </div>
              {student.notes && (
                <div>
                  <h2 className="mb-1 cap">Notes, for you alone</h2>
                  <p className="text-[16px] whitespace-pre-wrap">{student.notes}</p>
                </div>
              )}
              <div>
                <h2 className="mb-1 cap">Sessions</h2>
                <ul className="text-[16px]">
                  {sessions.slice(0, 6).map(({ id, startedAt, finishedAt, runs }) => (
                    <li key={id} className="flex justify-between gap-3 border-b border-hair py-1.5">
                      <Link
                        className="font-[600] underline decoration-1 underline-offset-4"
                        href={finishedAt ? `/sessions/${id}/review` : `/sessions/${id}`}
                      >
                        {format(startedAt, 'd MMM')}
                      </Link>
                      <span className="truncate text-ink2">
                        {runs[0]?.drillName}, {runs.flatMap((run) => counted(run.putts)).length}{' '}
                        putts
                        {finishedAt ? '' : ', still open'}
                      </span>
                    </li>
                  ))}
                </ul>
              </div>
            </section>
          </div>
          <details className="border-t border-rule px-4 py-4 md:px-7">
            <summary className="cursor-pointer text-[16px] num">All sessions in numbers</summary>
            <div className="mt-3 grid gap-6">
              <ScoreTable
                hand={student.hand}
                rows={scores.toReversed().flatMap(({ at, putts: count, alone, carried }) => [
                  { name: `${format(at, 'd MMM yyyy, HH:mm')}, carried`, score: carried },
                  { name: `${format(at, 'd MMM yyyy, HH:mm')}, alone`, putts: count, score: alone },
                ])}
              />
            </div>
          </details>
        </>
      )}
    </>
  );
}

function GateInterval({
  gap,
  across,
}: {
  gap: { low: number; high: number };
  across: (metres: number) => string;
}) {
  return (
    <p className="mt-1 text-ink2">
      The gate lies between {across(gap.low)} and {across(gap.high)} with 80 %.
    </p>
  );
}
