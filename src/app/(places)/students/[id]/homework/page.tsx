import { getTranslations } from 'next-intl/server';
import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { dayAfter, dayIn } from '@/core/calendar';
import { getStudent, knownLink, listHomework, listWords } from '@/data';
import { studentsOrigin } from '@/features/shared/origin';
import { PlaceHead } from '@/features/shared/place';
import { reckon } from '@/features/reckoning/pool';
import { coachContext, orNotFound, titled } from '@/features/shared/server';
import { HomeLink } from '@/features/students/home-link';
import { HomeworkForm } from '@/features/students/homework-form';
import { HomeworkList } from '@/features/students/homework-list';
import { Button } from '@/ui/button';

export const generateMetadata = async ({
  params,
}: PageProps<'/students/[id]/homework'>): Promise<Metadata> => {
  const t = await getTranslations();
  return titled(t('pages.studentsIdHomework.homework'), async ({ database, principal }) => {
    const { id } = await params;
    return t('pages.studentsIdHomework.homeworkFor', {
      student: (await getStudent(database, principal, id)).name,
    });
  });
};

/** Days that homework is given for until told otherwise. */
const LASTS = 21;

export default async function HomeworkPage({ params }: PageProps<'/students/[id]/homework'>) {
  const t = await getTranslations();
  const { database, principal, coach } = await coachContext('coach');
  const { zone } = coach.settings;
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const at = new Date();
  const today = dayIn(at, zone);
  const [homework, words, { sessions, effects, offers }, link] = await Promise.all([
    listHomework(database, principal, student.id),
    listWords(database, principal, student.id),
    reckon('homework', principal, { studentId: student.id }),
    knownLink(database, principal, student.id, at),
  ]);
  const given = student.name.split(' ')[0]!;
  return (
    <>
      <PlaceHead
        title={t('pages.studentsIdHomework.sHomework', { student: student.name })}
        sub={t('pages.studentsIdHomework.drillsThatWorkAtHome')}
      >
        <Button asChild>
          <Link href={`/students/${student.id}`}>
            {t('pages.studentsIdHomework.sRecord', { given })}
          </Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <section
          aria-label={t('pages.studentsIdHomework.currentHomework')}
          className="px-4 py-5 md:px-7"
        >
          <h2 className="mb-1 text-[1.25rem] num">
            {t('pages.studentsIdHomework.currentHomework')}
          </h2>
          {homework.length === 0 ? (
            <p className="text-ink2">
              {t('pages.studentsIdHomework.noHomeworkYetWhatYou', { given })}
            </p>
          ) : (
            <HomeworkList
              database={database}
              principal={principal}
              homework={homework}
              words={words}
              given={given}
              sessions={sessions}
              effects={effects}
              zone={zone}
              at={at}
            />
          )}
          <h2 className="mt-6 mb-2 text-[1.25rem] num">
            {t('pages.studentsIdHomework.sOwnPage', { given })}
          </h2>
          <HomeLink studentId={student.id} given={given} known={link} origin={studentsOrigin()} />
        </section>
        <section
          aria-label={t('pages.studentsIdHomework.addHomework')}
          className="bg-sheet px-4 py-5 md:px-6"
        >
          <h2 className="mb-4 text-[1.25rem] num">{t('pages.studentsIdHomework.addHomework')}</h2>
          <HomeworkForm
            studentId={student.id}
            drills={offers
              .filter(({ phase }) => phase !== 'test')
              .map(({ ref, name, rungs, players, span, trains }) => ({
                value: ref,
                label: name,
                detail: t('pages.studentsIdHomework.min', {
                  trains,
                  median: Math.round(span.median),
                }),
                rungs,
                teaches: players[0]!.rung,
              }))}
            values={{
              drillId: '',
              rung: null,
              timesAWeek: 3,
              from: today,
              until: dayAfter(today, LASTS),
              note: '',
            }}
          />
        </section>
      </div>
    </>
  );
}
