import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { z } from 'zod';
import { dayAfter, dayIn } from '@/core/calendar';
import { planStudents } from '@/features/programme/load-plan';
import { ProgrammeForm } from '@/features/programme/programme-form';
import { aimUnit } from '@/features/programme/programme-form-schema';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newProgramme');

const query = z.object({ student: z.uuid().optional().catch(undefined) });

/** Weeks that a programme has until told otherwise. */
const WEEKS = 8;

export default async function NewProgrammePage({ searchParams }: PageProps<'/programme/new'>) {
  const t = await getTranslations();
  const { database, principal, coach } = await coachContext('coach');
  const { student } = query.parse(await searchParams);
  const today = dayIn(new Date(), coach.settings.zone);
  return (
    <>
      <PlaceHead
        title={t('pages.programmeNew.newProgramme')}
        sub={t('pages.programmeNew.weeksOfLessonsAndPractice')}
      />
      <ProgrammeForm
        id={null}
        students={await planStudents(database, principal)}
        values={{
          studentId: student ?? '',
          from: today,
          weeks: WEEKS,
          testEvery: 3,
          slots: [
            { weekday: 2, time: '17:00', minutes: 60, kind: 'lesson' },
            { weekday: 5, time: '', minutes: 30, kind: 'practice' },
          ],
          skill: 'start',
          window: aimUnit('start').usual,
          by: dayAfter(today, 7 * WEEKS),
          off: [],
        }}
      />
    </>
  );
}
