import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { z } from 'zod';
import { dayIn, daySchema } from '@/core/calendar';
import { listPlans } from '@/data';
import { DateForm } from '@/features/programme/date-form';
import { planStudents } from '@/features/programme/load-plan';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newAppointment');

const query = z.object({
  student: z.uuid().optional().catch(undefined),
  day: daySchema.optional().catch(undefined),
});

export default async function NewDatePage({ searchParams }: PageProps<'/programme/dates/new'>) {
  const t = await getTranslations();
  const { database, principal, coach } = await coachContext('coach');
  const { student, day } = query.parse(await searchParams);
  const plans = (await listPlans(database, principal)).filter(({ archivedAt }) => !archivedAt);
  return (
    <>
      <PlaceHead
        title={t('pages.programmeDatesNew.newAppointment')}
        sub={t('pages.programmeDatesNew.time', { zone: coach.settings.zone })}
      />
      <DateForm
        id={null}
        ofProgramme={false}
        students={await planStudents(database, principal)}
        plans={plans.map(({ id, name }) => ({ value: id, label: name }))}
        values={{
          studentId: student ?? '',
          day: day ?? dayIn(new Date(), coach.settings.zone),
          time: '17:00',
          minutes: 60,
          kind: 'lesson',
          planId: null,
          note: '',
        }}
      />
    </>
  );
}
