import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { dayWords } from '@/core/calendar';
import { getAppointment, getStudent, listPlans } from '@/data';
import { DateForm } from '@/features/programme/date-form';
import { KINDS, forWhat, timeWords } from '@/features/programme/date-words';
import { RunPlanButton } from '@/features/programme/run-plan-button';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.appointment');

export default async function DatePage({ params }: PageProps<'/programme/dates/[id]'>) {
  const t = await getTranslations();
  const { database, principal } = await coachContext('coach');
  const date = await orNotFound(getAppointment(database, principal, (await params).id));
  const { id, studentId, day, time, minutes, kind, planId, note, programmeId } = date;
  const [student, plans] = await Promise.all([
    getStudent(database, principal, studentId),
    listPlans(database, principal),
  ]);
  const words = forWhat(date);
  return (
    <>
      <PlaceHead
        title={`${student.name}, ${dayWords(day)}`}
        sub={`${KINDS[kind].name}${words ? `: ${words}` : ''} · ${timeWords(date)}`}
      >
        {programmeId && (
          <Button asChild>
            <Link href={`/programme/${programmeId}`}>
              {t('pages.programmeDatesId.openProgramme')}
            </Link>
          </Button>
        )}
        {planId ? (
          <RunPlanButton id={planId} kind="primary" />
        ) : (
          <>
            <Button asChild>
              <Link href={`/start?student=${studentId}`}>
                {t('pages.programmeDatesId.startSession')}
              </Link>
            </Button>
            <Button asChild kind="primary">
              <Link href={`/programme/hours/new?student=${studentId}&minutes=${minutes}`}>
                {t('pages.programmeDatesId.planSession')}
              </Link>
            </Button>
          </>
        )}
      </PlaceHead>
      <DateForm
        key={id}
        id={id}
        ofProgramme={programmeId !== null}
        students={[]}
        plans={plans
          .filter(({ archivedAt }) => !archivedAt)
          .map((plan) => ({ value: plan.id, label: plan.name }))}
        values={{ studentId, day, time, minutes, kind, planId, note }}
      />
    </>
  );
}
