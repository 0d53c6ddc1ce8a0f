'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import type { BegunHere } from './begun';
import { changeBegun } from './device';
import { beginHere, studentOf, type Chosen } from './begun';
import { keepBegunHere } from './device';
import { settled, type Settled } from './deliver';
import { saveRefused } from './save-refused';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { STAMPS, timeOf } from './stamps';

/** What this device can do with no server: what goes on, who comes, a session to begin, and what is to be settled. */
export function HereList({ home, kept, begun, online, go, again, to }: ShellPart & { to: string }) {
  const t = useTranslations();
  // On a shared phone sessions of another coach may wait: they are theirs to go on with, and are sent as theirs.
  const own = begun.filter(({ owner }) => owner === undefined || owner === kept.owner);
  const others = begun.filter((session) => !own.includes(session));
  const going = own.filter(({ finishedAt, refused }) => finishedAt === null && refused === null);
  const done = own.filter(({ finishedAt, refused }) => finishedAt !== null && refused === null);
  const unsettled = own.filter(({ theirs }) => theirs !== null);
  const refused = own.filter((session) => session.refused !== null);
  const known = new Map(kept.students.map(({ id, name }) => [id, name]));
  const coming = kept.coming.filter(({ studentId }) => known.has(studentId));
  const today = format(new Date(), 'yyyy-MM-dd');
  const start = (chosen: Chosen) => {
    try {
      const sessions = beginHere(t, kept, [chosen], { cold: false, home, ...STAMPS });
      void keepBegunHere(sessions).then(async () => {
        await again();
        go(`?session=${sessions[0]!.id}`);
      });
    } catch (error) {
      toast.error(error instanceof RangeError ? error.message : 'This session cannot be started.');
    }
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead
        title={online ? t('offline.hereList.onThisDevice') : t('offline.hereList.offline')}
        online={online}
      >
        <p className="text-[1rem] text-ink2">
          {t('offline.hereList.youCanStartAndLog', {
            noHome: String(home === ''),
            at: timeOf(kept.at),
          })}
        </p>
        {online && (
          <div className="pt-1">
            <Button kind="primary" onClick={() => go(to)}>
              {t('offline.hereList.continueOnline')}
            </Button>
          </div>
        )}
      </ShellHead>
      {refused.map((session) => (
        <Refused key={session.id} session={session} again={again} />
      ))}
      {unsettled.map((session) => (
        <Unsettled key={session.id} session={session} again={again} />
      ))}
      {going.length > 0 && (
        <Part title={t('offline.hereList.inProgress')}>
          {going.map((session) => (
            <Row
              key={session.id}
              name={session.name}
              words={t('offline.hereList.started', {
                drillName: session.runs.at(-1)!.drillName,
                startedAt: timeOf(session.startedAt),
              })}
            >
              <Button kind="primary" onClick={() => go(`?session=${session.id}`)}>
                {t('offline.hereList.resume')}
              </Button>
            </Row>
          ))}
        </Part>
      )}
      {home === '' ? (
        <>
          {coming.length > 0 && (
            <Part title={t('offline.hereList.todaysLessons')}>
              {coming.map(({ id, day, studentId, words }) => (
                <Row
                  key={id}
                  name={known.get(studentId)!}
                  words={`${day === today ? 'today' : 'tomorrow'} · ${words}`}
                >
                  <Button onClick={() => go(`?student=${studentId}`)}>
                    {t('offline.hereList.start')}
                  </Button>
                </Row>
              ))}
            </Part>
          )}
          <Part title={t('offline.hereList.newSession')}>
            {kept.students.length === 0 && (
              <p className="py-2 text-[1rem]">{t('offline.hereList.noStudentsYetStudentsThat')}</p>
            )}
            {kept.students.map(({ id, name, fitting }) => (
              <Row key={id} name={name} words={`${fitting.hand}-handed`}>
                <Button
                  onClick={() => go(`?student=${id}`)}
                  aria-label={t('offline.hereList.startSessionFor', { name })}
                >
                  {t('offline.hereList.start')}
                </Button>
              </Row>
            ))}
          </Part>
        </>
      ) : (
        <Part title={t('offline.hereList.homework')}>
          {kept.drills.length === 0 && (
            <p className="py-2 text-[1rem]">{t('offline.hereList.thereIsNoHomeworkAt')}</p>
          )}
          {kept.drills.map(({ ref, name, homework }) => (
            <Row key={homework?.id ?? ref} name={name} words={homework?.note ?? ''}>
              <Button
                kind="primary"
                aria-label={t('offline.hereList.start2', { name })}
                onClick={() =>
                  start({
                    studentId: studentOf(t, kept, kept.owner).id,
                    ref,
                    rung: homework?.rung ?? null,
                  })
                }
              >
                {t('offline.hereList.start')}
              </Button>
            </Row>
          ))}
        </Part>
      )}
      {done.length > 0 && (
        <Part title={t('offline.hereList.finishedHereNotSentYet')}>
          {done.map((session) => (
            <Row
              key={session.id}
              name={session.name}
              words={`${session.runs.map(({ drillName }) => drillName).join(', ')}, ${timeOf(session.startedAt)}`}
            >
              <Button onClick={() => go(`?review=${session.id}`)}>
                {t('offline.hereList.view')}
              </Button>
            </Row>
          ))}
        </Part>
      )}
      {others.length > 0 && (
        <Part title={t('offline.hereList.sessionsOfOtherCoaches')}>
          {others.map(({ id, name, runs, startedAt, ownerName }) => (
            <Row
              key={id}
              name={name}
              words={t('offline.hereList.sentWhenSignsInHere', {
                runs: runs.map(({ drillName }) => drillName).join(', '),
                startedAt: timeOf(startedAt),
                ownerName: ownerName || t('offline.hereList.theCoachWhoStartedIt'),
              })}
            >
              {null}
            </Row>
          ))}
        </Part>
      )}
      <p className="px-4 pt-6 md:px-7">
        <button
          type="button"
          onClick={() => go('?view=phone')}
          className="min-h-11 text-[1rem] underline underline-offset-4"
        >
          {t('offline.hereList.dataOnThisDevice')}
        </button>
      </p>
    </main>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="max-w-2xl px-4 pt-5 md:px-7">
      <h2 className="mb-1 text-[1.25rem] num">{title}</h2>
      {children}
    </section>
  );
}

function Row({
  name,
  words,
  children,
}: {
  name: string;
  words: string;
  children: React.ReactNode;
}) {
  return (
    <div className="flex items-center justify-between gap-3 border-b border-rule py-2.5">
      <p className="min-w-0 text-[1.0625rem]">
        <strong className="font-[640]">{name}</strong>
        <span className="block text-[0.9375rem] text-ink2">{words}</span>
      </p>
      {children}
    </div>
  );
}

interface OfSession {
  session: BegunHere;
  again(): Promise<void>;
}

/** What the server will not take: it is kept as a file before it goes. */
function Refused({ session, again }: OfSession) {
  const t = useTranslations();
  const { id, name, startedAt, refused } = session;
  return (
    <section
      role="alert"
      aria-label={t('offline.hereList.refused', { name })}
      className="mx-4 mt-5 grid gap-2 border-2 border-warn bg-sheet p-3 md:mx-7"
    >
      <p className="text-[1rem]">
        <strong>
          {name}, {timeOf(startedAt)}:
        </strong>{' '}
        {refused}
      </p>
      <div className="flex flex-wrap gap-2.5">
        <Button
          onClick={() =>
            void saveRefused(session)
              .then(() => changeBegun(id, () => null))
              .then(again)
          }
        >
          {t('offline.hereList.saveAsAFileAnd')}
        </Button>
        <Button
          onClick={() =>
            void changeBegun(id, (one) => ({ ...one, refused: null, sent: null })).then(again)
          }
        >
          {t('offline.hereList.tryAgain')}
        </Button>
      </div>
    </section>
  );
}

/** Two have noted something of one session: the coach says which stays, once. */
function Unsettled({ session, again }: OfSession) {
  const t = useTranslations();
  const { id, name, startedAt, note, theirs } = session;
  const keep = (how: Settled) => void changeBegun(id, (one) => settled(one, how)).then(again);
  return (
    <section
      role="alert"
      aria-label={t('offline.hereList.twoNotes', { name })}
      className="mx-4 mt-5 grid gap-2 border-2 border-ink bg-sheet p-3 md:mx-7"
    >
      <p className="text-[1rem]">
        {t.rich('offline.hereList.thisSessionHasTwoNotes', {
          name,
          startedAt: timeOf(startedAt),
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      <p className="text-[1rem]">
        <span className="cap">{t('offline.hereList.here')}</span>{' '}
        {note || t('offline.hereList.empty')}
      </p>
      <p className="text-[1rem]">
        <span className="cap">{t('offline.hereList.elsewhere')}</span>{' '}
        {theirs || t('offline.hereList.empty')}
      </p>
      <div className="flex flex-wrap gap-2.5">
        <Button kind="primary" onClick={() => keep('both')}>
          {t('offline.hereList.keepBoth')}
        </Button>
        <Button onClick={() => keep('mine')}>{t('offline.hereList.keepTheNoteFromHere')}</Button>
        <Button onClick={() => keep('theirs')}>{t('offline.hereList.keepTheOtherNote')}</Button>
      </div>
    </section>
  );
}
