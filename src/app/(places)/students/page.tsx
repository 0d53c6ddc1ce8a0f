import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { formatDistance } from 'date-fns';
import { Link } from '@/ui/link';
import { groupsOf } from '@/core/people';
import { listCoaches, listStudents } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { StudentList } from '@/features/students/student-list';
import { reckon } from '@/features/reckoning/pool';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.students');

export default async function StudentsPage({ searchParams }: PageProps<'/students'>) {
  const t = await getTranslations();
  const { database, principal } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const all = await listStudents(database, principal);
  const shown = all.filter(({ archivedAt }) => (archivedAt !== null) === archived);
  const lines = await reckon('lines', principal, { studentIds: null });
  const coachOf = new Map((await listCoaches(database)).map(({ id, name }) => [id, name]));
  const hidden = all.length - shown.length;
  const now = new Date();
  return (
    <>
      <PlaceHead
        title={archived ? t('pages.students.archivedStudents') : t('pages.students.students')}
        sub={
          archived
            ? t('pages.students.nothingIsDeletedAndYou')
            : shown.length === 1
              ? t('pages.students.n1Student')
              : t('pages.students.students2', { shown: shown.length })
        }
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/students' : '/students?archived'}>
              {archived
                ? t('pages.students.backToStudents')
                : t('pages.students.archived', { hidden })}
            </Link>
          </Button>
        )}
        {shown.length > 1 && !archived && (
          <Button asChild>
            <Link href="/students/compare">{t('pages.students.compareStudents')}</Link>
          </Button>
        )}
        {principal.as !== 'assistant' && (
          <Button asChild kind="primary">
            <Link href="/students/new">{t('pages.students.addStudent')}</Link>
          </Button>
        )}
      </PlaceHead>
      {shown.length === 0 ? (
        <Empty
          title={
            archived
              ? t('pages.students.noArchivedStudents')
              : t('pages.students.addYourFirstStudent')
          }
        >
          <p>{t('pages.students.aNameAHandAnd')}</p>
        </Empty>
      ) : (
        <StudentList
          archived={archived}
          rows={shown.map((student) => {
            const { says, sure, next, changed, rulers, at, window } = lines[student.id]!;
            return {
              id: student.id,
              name: student.name,
              hand: student.hand,
              about: [
                student.level,
                student.seated && 'seated',
                student.hand === 'left' && 'left-handed',
                student.coachId !== principal.coachId &&
                  t('pages.students.with', {
                    coach: coachOf.get(student.coachId) || t('pages.students.anotherCoach'),
                  }),
              ]
                .filter(Boolean)
                .join(', '),
              groups: groupsOf(student),
              ...{ says, sure, next, changed, rulers, window },
              last: at && formatDistance(at, now, { addSuffix: true }),
              since: at ? now.getTime() - at.getTime() : null,
            };
          })}
        />
      )}
    </>
  );
}
