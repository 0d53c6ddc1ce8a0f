import { getTranslations } from 'next-intl/server';
import { headers } from 'next/headers';
import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { ClientMessages } from '@/words/client-messages';
import type { ReactNode } from 'react';
import { tallyRuns } from '@/core/drill';
import { FEELS } from '@/core/planning';
import {
  backupFault,
  backupState,
  counted,
  listSessions,
  listStudents,
  ownView,
  unanswered,
} from '@/data';
import { todayOf } from '@/features/programme/today';
import { Coming, ToDoList, tomorrowWords } from '@/features/programme/today-parts';
import { reckon } from '@/features/reckoning/pool';
import { startOptions } from '@/features/session/options';
import { FirstRun } from '@/features/session/first-run';
import { firstGates } from '@/features/session/first-offer';
import { StartSession } from '@/features/session/start-session';
import { ZoneNote } from '@/features/shared/zone-note';
import { usualUnits } from '@/features/session/usual-units';
import { Empty, PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';
import { ColumnHead } from '@/ui/column-head';

export default async function TodayPage() {
  const t = await getTranslations();
  const { database, principal: asking, coach, units } = await coachContext();
  const principal = ownView(asking);
  const now = new Date();
  const [options, students, sessions, waiting] = await Promise.all([
    startOptions(t, database, principal, units),
    listStudents(database, principal),
    listSessions(database, principal, { limit: 10 }),
    unanswered(database, principal),
  ]);
  const { zone } = coach.settings;
  const backupsFail = backupFault(await backupState(database.path));
  const { today, coming, tomorrow, toDo } = await todayOf(
    t,
    database,
    principal,
    students,
    now,
    zone,
  );
  const studentIds = coming.map(({ studentId }) => studentId);
  const lines = coming.length > 0 ? await reckon('lines', principal, { studentIds }) : {};
  const saysOf = (id: string) => (lines[id]?.at ? lines[id].says : null);
  const nameOf = (id: string) => students.find((student) => student.id === id)?.name ?? '';
  const rows = sessions.map((session) => {
    const [run] = session.runs;
    const counts = tallyRuns(
      session.runs.map(({ layout, putts }) => ({
        layout,
        putts: counted(putts).map(({ outcomes }) => outcomes),
      })),
    );
    return { ...session, name: nameOf(session.studentId), drill: run?.drillName ?? '', counts };
  });
  const open = rows.filter(({ finishedAt }) => !finishedAt);
  const done = rows.filter(({ finishedAt }) => finishedAt);
  return (
    <ClientMessages of={['drills', 'programme', 'session']}>
      <PlaceHead
        title={
          options.students.length === 0 ? t('pages.today.yourFirstPutts') : t('pages.today.today')
        }
        sub={
          <>
            {format(new Date(`${today}T12:00:00`), 'EEEE d MMMM')}
            {coach.name && ` · ${coach.name}`}
            {coming.length > 0 && <ZoneNote zone={zone} />}
          </>
        }
      />
      {options.students.length === 0 && asking.as === 'assistant' ? (
        <Empty title={t('pages.today.noStudentsYet')}>
          <p>{t('pages.today.yourStudentsAppearHereOnce')}</p>
        </Empty>
      ) : options.students.length === 0 ? (
        <FirstRun
          name={coach.name}
          units={{ ...units, long: usualUnits((await headers()).get('accept-language')) }}
          gates={firstGates(t)}
        />
      ) : (
        <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_380px] lg:grid-rows-[auto_1fr] lg:divide-y-0">
          {/* On a phone, who comes stands above the start of a session, the rest below it. */}
          <div className="lg:col-start-1">
            {backupsFail && asking.as === 'head' && (
              <Link
                href="/records/backups"
                className="mx-4 mt-4 block border-2 border-warn bg-sheet px-3 py-2 text-[1rem] underline underline-offset-4 md:mx-7"
              >
                {backupsFail.message}
              </Link>
            )}
            {coming.length > 0 && (
              <Part title={t('pages.today.todaysLessons')}>
                <Coming dates={coming} nameOf={nameOf} saysOf={saysOf} />
              </Part>
            )}
            {waiting.length > 0 && (
              <Part title={t('pages.today.waitingForYourReply')}>
                {waiting.map(({ studentId, feel, text, at }) => (
                  <p
                    key={`${studentId} ${at.toISOString()}`}
                    className="flex flex-wrap items-center justify-between gap-3 border-b border-hair py-2 text-[1rem] last:border-0"
                  >
                    <span className="min-w-0 flex-1 basis-64">
                      <strong>{nameOf(studentId)}</strong>
                      {feel !== null && (
                        <span className="text-ink2">
                          {' '}
                          {t('pages.today.felt')} {FEELS[feel - 1]}
                        </span>
                      )}
                      {text && ` · “${text}”`}
                    </span>
                    <Button asChild>
                      <Link href={`/students/${studentId}/homework`}>
                        {t.rich('pages.today.replyTo', {
                          student: nameOf(studentId),
                          span: (chunks) => <span className="sr-only">{chunks}</span>,
                        })}
                      </Link>
                    </Button>
                  </p>
                ))}
              </Part>
            )}
            {open.length > 0 && (
              <Part title={t('pages.today.unfinished')}>
                {open.map(({ id, name, drill, counts, startedAt }) => (
                  <div
                    key={id}
                    className="flex flex-wrap items-center justify-between gap-3 border-b border-hair py-2 last:border-0"
                  >
                    <p className="text-[1rem]">
                      <strong>{name}</strong> · {drill},{' '}
                      {counts.putts === 0
                        ? t('pages.today.noPuttsYet')
                        : t('pages.today.ofPassed', { clear: counts.clear, seen: counts.seen })}
                      <span className="text-ink2">
                        {' '}
                        {t('pages.today.started', {
                          startedAt: formatDistance(startedAt, now, { addSuffix: true }),
                        })}
                      </span>
                    </p>
                    <Button asChild>
                      <Link href={`/sessions/${id}`}>{t('pages.today.resume')}</Link>
                    </Button>
                  </div>
                ))}
              </Part>
            )}
          </div>
          <section
            aria-label={t('pages.today.startASession')}
            className="border-rule bg-sheet px-4 py-6 md:px-7 lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:border-l"
          >
            <h2 className="mb-5 text-[1.25rem] num">{t('pages.today.startASession')}</h2>
            <StartSession {...options} />
          </section>
          <div className="lg:col-start-1">
            {toDo.length > 0 && (
              <Part title={t('pages.today.missedChangedOrDue')}>
                <ToDoList all={toDo} />
              </Part>
            )}
            {tomorrow.length > 0 && (
              <Part title={t('pages.today.tomorrow')}>
                <p className="text-[1rem]">{tomorrowWords(tomorrow, nameOf)}</p>
              </Part>
            )}
            <Part title={t('pages.today.recentSessions')}>
              {done.length === 0 ? (
                <p className="text-ink2">{t('pages.today.sessionsAppearHereOnceYou')}</p>
              ) : (
                <table className="w-full text-[1rem]">
                  <caption className="sr-only">{t('pages.today.recentlyFinishedSessions')}</caption>
                  <thead>
                    <tr className="border-b text-left cap">
                      <ColumnHead className="pr-3">{t('pages.today.date')}</ColumnHead>
                      <ColumnHead className="pr-3">{t('pages.today.student')}</ColumnHead>
                      <ColumnHead className="pr-3 max-sm:hidden">
                        {t('pages.today.drill')}
                      </ColumnHead>
                      <ColumnHead className="text-right">{t('pages.today.passed')}</ColumnHead>
                    </tr>
                  </thead>
                  <tbody>
                    {done.map(({ id, name, drill, counts, startedAt }) => (
                      <tr key={id} className="border-b border-hair">
                        <td className="py-2 pr-3 whitespace-nowrap text-ink2">
                          {format(startedAt, 'EEE d MMM')}
                        </td>
                        <td className="py-2 pr-3">
                          <Link
                            href={`/sessions/${id}/review`}
                            className="font-[620] underline decoration-1 underline-offset-4"
                          >
                            {name}
                          </Link>
                        </td>
                        <td className="py-2 pr-3 max-sm:hidden">{drill}</td>
                        <td className="py-2 text-right num whitespace-nowrap">
                          {t('pages.today.of', { clear: counts.clear, seen: counts.seen })}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </Part>
          </div>
        </div>
      )}
    </ClientMessages>
  );
}

/** A part of the day. */
function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section
      className="border-b border-rule px-4 py-4 max-lg:last:border-0 md:px-7"
      aria-label={title}
    >
      <h2 className="mb-1.5 text-[1.25rem] num">{title}</h2>
      {children}
    </section>
  );
}
