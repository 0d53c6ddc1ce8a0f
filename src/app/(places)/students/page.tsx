import { formatDistance } from 'date-fns';
import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { groupsOf } from '@/core/people';
import { listCoaches, listStudents } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { StudentList } from '@/features/students/student-list';
import { reckon } from '@/features/reckoning/pool';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Students' };

export default async function StudentsPage({ searchParams }: PageProps<'/students'>) {
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
        title={archived ? 'Archived students' : 'Students'}
        sub={
          archived
            ? 'Nothing is deleted, and you can restore any of them'
            : shown.length === 1
              ? '1 student'
              : `${shown.length} students`
        }
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/students' : '/students?archived'}>
              {archived ? 'Back to students' : `Archived (${hidden})`}
            </Link>
          </Button>
        )}
        {shown.length > 1 && !archived && (
          <Button asChild>
            <Link href="/students/compare">Compare students</Link>
          </Button>
        )}
        {principal.as !== 'assistant' && (
          <Button asChild kind="primary">
            <Link href="/students/new">Add student</Link>
          </Button>
        )}
      </PlaceHead>
      {shown.length === 0 ? (
        <Empty title={archived ? 'No archived students' : 'Add your first student'}>
          <p>A name, a hand and a putter are enough to start with.</p>
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
                  `with ${coachOf.get(student.coachId) || 'another coach'}`,
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
