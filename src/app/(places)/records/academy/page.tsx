import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { listCoaches, listStudents, sharesByCoach } from '@/data';
import { AddCoach, CoachList } from '@/features/academy/coach-list';
import { History } from '@/features/academy/history';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.academy');

export default async function AcademyPage() {
  const t = await getTranslations();
  const { database, principal } = await coachContext('head');
  const [coaches, students, shares] = await Promise.all([
    listCoaches(database),
    listStudents(database, principal),
    sharesByCoach(database),
  ]);
  return (
    <>
      <PlaceHead
        title={t('pages.recordsAcademy.academy')}
        sub={t('pages.recordsAcademy.whoCoachesHereAndWhat')}
      >
        <Button asChild>
          <Link href="/records">{t('pages.recordsAcademy.settings')}</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:grid-cols-[minmax(0,1fr)_380px] lg:divide-x lg:divide-y-0">
        <section className="px-4 py-6 md:px-7" aria-label={t('pages.recordsAcademy.coaches')}>
          <CoachList
            here={principal.coachId}
            coaches={coaches.map(({ id, name, role, archivedAt }) => ({
              id,
              name,
              role,
              left: archivedAt !== null,
              students: students.filter((student) => student.coachId === id && !student.archivedAt)
                .length,
              shared: shares.get(id) ?? 0,
            }))}
          />
        </section>
        <section className="px-4 py-6 md:px-7" aria-label={t('pages.recordsAcademy.addACoach')}>
          <h2 className="mb-4 text-[1.25rem] num">{t('pages.recordsAcademy.addACoach')}</h2>
          <AddCoach />
        </section>
      </div>
      <History database={database} principal={principal} about={coaches.map(({ id }) => id)} />
    </>
  );
}
