import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { listDrills, listStudents } from '@/data';
import { DrillList } from '@/features/drills/drill-list';
import { ImportButton } from '@/features/drills/import-button';
import { drillSummaries } from '@/features/drills/summary';
import { Empty, PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.drills');

export default async function DrillsPage({ searchParams }: PageProps<'/drills'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const [all, students] = await Promise.all([
    listDrills(database, principal),
    listStudents(database, principal),
  ]);
  const own = all.filter(({ archivedAt }) => (archivedAt !== null) === archived);
  const hidden = all.length - own.length;
  const drills = drillSummaries(t, own, units).filter((drill) => drill.own || !archived);
  return (
    <>
      <PlaceHead
        title={archived ? t('pages.drills.archivedDrills') : t('pages.drills.drills')}
        sub={
          archived
            ? t('pages.drills.nothingIsDeletedAndYou')
            : t('pages.drills.yourOwnDrillsAndThe')
        }
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/drills' : '/drills?archived'}>
              {archived ? t('pages.drills.backToDrills') : t('pages.drills.archived', { hidden })}
            </Link>
          </Button>
        )}
        <ImportButton />
        <Button asChild kind="primary">
          <Link href="/drills/new">{t('pages.drills.createDrill')}</Link>
        </Button>
      </PlaceHead>
      {drills.length === 0 ? (
        <Empty title={t('pages.drills.noArchivedDrills')}>
          <p>{t('pages.drills.drillsYouArchiveAppearHere')}</p>
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
