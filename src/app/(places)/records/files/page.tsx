import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { listDrills, listImports, listStudents } from '@/data';
import { ExportForm } from '@/features/export/export-form';
import { ImportPanel } from '@/features/import/import-panel';
import { PastImports } from '@/features/import/past-imports';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.importAndExport');

export default async function FilesPage() {
  const t = await getTranslations();
  const { database, principal } = await coachContext('coach');
  const [students, drills, imports] = await Promise.all([
    listStudents(database, principal),
    listDrills(database, principal),
    listImports(database, principal),
  ]);
  const options = students
    .filter(({ archivedAt }) => !archivedAt)
    .map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <PlaceHead
        title={t('pages.recordsFiles.importAndExport')}
        sub={t('pages.recordsFiles.importPuttsFromFilesAnd')}
      >
        <Button asChild>
          <Link href="/records">{t('pages.recordsFiles.settings')}</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_400px] lg:divide-x lg:divide-y-0">
        <section
          className="grid content-start gap-4 px-4 py-6 md:px-7"
          aria-label={t('pages.recordsFiles.import')}
        >
          <h2 className="text-[1.25rem] num">{t('pages.recordsFiles.importPutts')}</h2>
          <ImportPanel
            students={options}
            drills={drills.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </section>
        <div className="grid content-start gap-8 px-4 py-6 md:px-7">
          <section className="grid gap-3" aria-label={t('pages.recordsFiles.export')}>
            <h2 className="text-[1.25rem] num">{t('pages.recordsFiles.exportEverything')}</h2>
            <ExportForm students={options} whole={principal.as === 'head'} />
          </section>
          {imports.length > 0 && (
            <section className="grid gap-2" aria-label={t('pages.recordsFiles.importedFiles')}>
              <h2 className="text-[1.25rem] num">{t('pages.recordsFiles.importedFiles')}</h2>
              <PastImports imports={imports} />
            </section>
          )}
        </div>
      </div>
    </>
  );
}
