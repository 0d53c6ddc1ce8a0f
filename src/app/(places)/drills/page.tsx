import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { listDrills, listStudents } from '@/data';
import { DrillList } from '@/features/drills/drill-list';
import { ImportButton } from '@/features/drills/import-button';
import { drillSummaries } from '@/features/drills/summary';
import { Empty, PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Drills' };

export default async function DrillsPage({ searchParams }: PageProps<'/drills'>) {
  const { database, principal, units } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const [all, students] = await Promise.all([
    listDrills(database, principal),
    listStudents(database, principal),
  ]);
  const own = all.filter(({ archivedAt }) => (archivedAt !== null) === archived);
  const hidden = all.length - own.length;
  const drills = drillSummaries(own, units).filter((drill) => drill.own || !archived);
  return (
    <>
      <PlaceHead
        title={archived ? 'Archived drills' : 'Drills'}
        sub={
          archived
            ? 'Nothing is deleted, and you can restore any of them'
            : 'Your own drills and the library'
        }
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/drills' : '/drills?archived'}>
              {archived ? 'Back to drills' : `Archived (${hidden})`}
            </Link>
          </Button>
        )}
        <ImportButton />
        <Button asChild kind="primary">
          <Link href="/drills/new">Create drill</Link>
        </Button>
      </PlaceHead>
      {drills.length === 0 ? (
        <Empty title="No archived drills">
          <p>Drills you archive appear here.</p>
        </Empty>
      ) : (
        <DrillList
          drills={drills}
          units={units}
          students={students
            .filter(({ archivedAt }) => !archivedAt)
            .map(({ id, name, kit, school, level, seated }) => ({
              value: id,
              label: name,
              kit,
              school,
              level,
              seated,
            }))}
        />
      )}
    </>
  );
}
