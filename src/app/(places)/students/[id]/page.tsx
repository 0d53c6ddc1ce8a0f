import { useTranslations } from 'next-intl';
import { getTranslations } from 'next-intl/server';
import { format } from '@/ui/when';
import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { z } from 'zod';
import { isQuantity } from '@/core/quantity';
import { counted, getStudent, listCoaches, listShares } from '@/data';
import { History } from '@/features/academy/history';
import { ROLE_WORDS } from '@/features/academy/role-words';
import { Sharing } from '@/features/academy/sharing';
import { ArchiveButton } from '@/features/shared/archive-button';
import { Empty, PlaceHead } from '@/features/shared/place';
import { reckon } from '@/features/reckoning/pool';
import { coachContext, orNotFound, titled } from '@/features/shared/server';
import { setArchived } from '@/features/students/actions';
import { BriefPart } from '@/features/students/brief-part';
import { Glance } from '@/features/students/glance';
import { InDepth } from '@/features/students/in-depth';
import { Checks } from '@/features/students/checks';
import { InWords } from '@/features/students/in-words';
import { OtherStrokes } from '@/features/students/other-strokes';
import { LastSessions } from '@/features/students/last-sessions';
import { Findings } from '@/features/students/findings';
import { Rights } from '@/features/students/rights';
import { Rolls } from '@/features/students/rolls';
import { WorthPart } from '@/features/students/worth-part';
import { Button } from '@/ui/button';
import { showLength } from '@/core/units';

export const generateMetadata = async ({
  params,
}: PageProps<'/students/[id]'>): Promise<Metadata> => {
  const t = await getTranslations();
  return titled(t('pages.studentsId.student'), async ({ database, principal }) => {
    const { id } = await params;
    return (await getStudent(database, principal, id)).name;
  });
};

const query = z.object({
  skill: z.string().refine(isQuantity).catch('start'),
  /** Share of putts that the next gate should let through. */
  rate: z.coerce.number().min(0.5).max(0.9).catch(0.7),
});

export default async function StudentPage({ params, searchParams }: PageProps<'/students/[id]'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const { skill, rate } = query.parse(await searchParams);
  const asked = { studentId: student.id, rate };
  const { sessions, known } = await reckon('student', principal, asked);
  const puttsOf = ({ runs }: (typeof sessions)[number]) =>
    runs.flatMap((run) => counted(run.putts)).length;
  // Newest first; a session of special strokes alone has no score.
  const putted = sessions.filter((session) => puttsOf(session) > 0);
  const putts = putted.reduce((sum, session) => sum + puttsOf(session), 0);
  const scores = known?.scores ?? [];
  const first = putted.at(-1);
  const given = student.name.split(' ')[0]!;
  const coaches = await listCoaches(database);
  const nameOf = (id: string) =>
    coaches.find((coach) => coach.id === id)?.name || t('pages.studentsId.anotherCoach');
  const mayChange = principal.as !== 'assistant';
  const own = principal.as === 'head' || (mayChange && student.coachId === principal.coachId);
  const shares = own ? await listShares(database, principal, student.id) : [];
  const others = coaches
    .filter(({ id, archivedAt }) => !archivedAt && id !== student.coachId)
    .map(({ id, name, role }) => ({
      value: id,
      label: name || t('pages.studentsId.unnamedCoach'),
      detail: ROLE_WORDS[role].name,
    }));
  return (
    <>
      <PlaceHead
        title={student.name}
        sub={[
          `${student.hand}-handed`,
          student.seated && 'seated',
          student.level,
          t('pages.studentsId.putterHeadBy', {
            headLength: showLength(student.putter.headLength, 'across', units),
            headDepth: showLength(student.putter.headDepth, 'across', units),
          }),
          `${putted.length} ${putted.length === 1 ? 'session' : 'sessions'}, ${putts} ${putts === 1 ? 'putt' : 'putts'}${first ? t('pages.studentsId.since', { date: format(first.startedAt, 'd MMMM') }) : ''}`,
          student.coachId !== principal.coachId &&
            t('pages.studentsId.sStudent', { coach: nameOf(student.coachId) }),
          student.archivedAt && 'archived',
        ]
          .filter(Boolean)
          .join(' · ')}
      >
        <Button asChild>
          <Link href={`/students/${student.id}/set-up`}>{t('pages.studentsId.setUp')}</Link>
        </Button>
        {mayChange && (
          <>
            <Button asChild>
              <Link href={`/students/${student.id}/edit`}>{t('pages.studentsId.edit')}</Link>
            </Button>
            <Button asChild>
              <Link href={`/students/${student.id}/homework`}>
                {t('pages.studentsId.homework')}
              </Link>
            </Button>
          </>
        )}
        {mayChange && known && (
          <Button asChild>
            <Link href={`/students/${student.id}/report`}>{t('pages.studentsId.report')}</Link>
          </Button>
        )}
        {!student.archivedAt && (
          <Button asChild kind={known?.brief.next ? 'plain' : 'primary'}>
            <Link href={`/start?student=${student.id}`}>{t('pages.studentsId.startSession')}</Link>
          </Button>
        )}
      </PlaceHead>
      {!known ? (
        <Empty
          title={
            putts > 0
              ? t('pages.studentsId.hasNoScoresYet', { given })
              : t('pages.studentsId.noDataOnSPutting', { given })
          }
        >
          {putts > 0 && (
            <div className="mb-4">
              <p className="mb-2">{t('pages.studentsId.thesePuttsAreNotScored')}</p>
              <LastSessions sessions={putted} />
            </div>
          )}
          <p>{t('pages.studentsId.startASessionThroughA')}</p>
          {student.notes && <Notes notes={student.notes} />}
        </Empty>
      ) : (
        <>
          <BriefPart brief={known.brief} archived={student.archivedAt !== null} />
          <div className="border-b-[length:var(--stroke)] border-ink">
            <Glance student={student} scores={scores} changes={known.changes} />
          </div>
          <div className="grid grid-cols-1 divide-y divide-rule border-b-[length:var(--stroke)] border-ink lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
            <section
              className="px-4 py-5 md:px-7"
              aria-label={t('pages.studentsId.whatTheMissesSuggest')}
            >
              <h2 className="mb-3 text-[1.25rem] num">
                {t('pages.studentsId.whatTheMissesSuggest')}
              </h2>
              <Findings findings={known.findings} student={given} />
              <h2 className="mt-6 mb-1 cap">{t('pages.studentsId.sessions')}</h2>
              <LastSessions sessions={sessions} />
              {student.notes && <Notes notes={student.notes} />}
            </section>
            <InWords student={student} given={given} known={known} units={units} rate={rate} />
          </div>
          <InDepth
            student={student}
            skill={skill}
            sessions={sessions}
            scores={scores}
            layout={known.layout}
            units={units}
          />
          <Checks checks={known.checks} />
          <Rolls
            table={known.rolls}
            given={given}
            greenSpeed={known.layout.putt.greenSpeed}
            units={units}
          />
          <OtherStrokes student={student} told={known.strokes} />
          <WorthPart worth={known.worth} units={units} />
        </>
      )}
      {own && (
        <section
          aria-label={t('pages.studentsId.sRecord', { given })}
          className="flex flex-wrap gap-2.5 border-t border-rule px-4 py-5 md:px-7 print:hidden"
        >
          <ArchiveButton
            id={student.id}
            name={student.name}
            archived={student.archivedAt !== null}
            set={setArchived}
          />
          <Rights student={student.id} given={given} sessions={sessions.length} putts={putts} />
          {others.length > 0 && !student.archivedAt && (
            <Sharing
              student={student.id}
              given={given}
              others={others}
              shares={shares.map(({ coachId, ...share }) => ({ ...share, name: nameOf(coachId) }))}
            />
          )}
        </section>
      )}
      <History database={database} principal={principal} about={[student.id]} />
    </>
  );
}

function Notes({ notes }: { notes: string }) {
  const t = useTranslations();
  return (
    <>
      <h2 className="mt-5 mb-1 cap">{t('pages.studentsId.privateNotesOnlyCoachesSee')}</h2>
      <p className="text-[1rem] whitespace-pre-wrap">{notes}</p>
    </>
  );
}
