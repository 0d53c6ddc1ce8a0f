import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { dayIn, dayWords } from '@/core/calendar';
import { getProgramme, getStudent, refreshProgramme } from '@/data';
import { CloseProgramme } from '@/features/programme/close-programme';
import {
  ProgrammeChanges,
  ProgrammeDays,
  aimSaid,
  aimWords,
} from '@/features/programme/programme-page';
import { PlaceHead } from '@/features/shared/place';
import { reckon } from '@/features/reckoning/pool';
import { coachContext, orNotFound } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.programme');

export default async function ProgrammePage({ params }: PageProps<'/programme/[id]'>) {
  const t = await getTranslations();
  const { database, principal, coach } = await coachContext('coach');
  const { id } = await params;
  const { studentId, aim } = await orNotFound(getProgramme(database, principal, id));
  const { zone } = coach.settings;
  const at = new Date();
  const [needs] = await reckon('needs', principal, [studentId]);
  const programme = await refreshProgramme(database, principal, id, { needs: needs!, at, zone });
  const [student, stands] = await Promise.all([
    getStudent(database, principal, studentId),
    reckon('standing', principal, { studentId, skill: aim.skill }),
  ]);
  const today = dayIn(at, zone);
  const past = programme.entries.filter(({ state }) => state !== 'planned');
  const done = past.filter(({ state }) => state === 'done').length;
  const next = programme.entries.find(({ day, state }) => state === 'planned' && day >= today);
  return (
    <>
      <PlaceHead
        title={t('pages.programmeId.sProgramme', { student: student.name })}
        sub={[
          aimSaid(t, programme),
          past.length > 0 && t('pages.programmeId.ofDaysDone', { done, past: past.length }),
          programme.endedAt &&
            t('pages.programmeId.ended', { endedAt: dayWords(dayIn(programme.endedAt, zone)) }),
        ]
          .filter(Boolean)
          .join(' · ')}
      >
        {!programme.endedAt && (
          <>
            <CloseProgramme id={id} />
            <Button asChild>
              <Link href={`/programme/${id}/edit`}>{t('pages.programmeId.edit')}</Link>
            </Button>
            {next && (
              <Button asChild kind="primary">
                <Link href={`/programme/hours/new?student=${studentId}&minutes=${next.minutes}`}>
                  {t('pages.programmeId.plan', { day: dayWords(next.day) })}
                </Link>
              </Button>
            )}
          </>
        )}
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_380px] lg:divide-x lg:divide-y-0">
        <section aria-label={t('pages.programmeId.days')}>
          <ProgrammeDays programme={programme} today={today} />
        </section>
        <section
          aria-label={t('pages.programmeId.progress')}
          className="grid content-start gap-5 bg-sheet px-4 py-5 md:px-6"
        >
          <div>
            <h2 className="mb-1 cap">{t('pages.programmeId.goal')}</h2>
            <p className="text-[1.125rem] leading-snug">
              <strong>{aimSaid(t, programme)}.</strong>
            </p>
            <p className="mt-1">
              {stands
                ? aimWords(t, programme, stands.points, stands.putts)
                : t('pages.programmeId.noPuttsForThisSkill')}
            </p>
          </div>
          <div>
            <h2 className="mb-2 cap">{t('pages.programmeId.changesAndReasons')}</h2>
            <ProgrammeChanges programme={programme} zone={zone} />
          </div>
          <p className="text-[0.9375rem]">
            <Link href={`/students/${studentId}`} className="underline underline-offset-4">
              {t('pages.programmeId.sRecord', { student: student.name })}
            </Link>{' '}
            ·{' '}
            <Link href={`/students/${studentId}/homework`} className="underline underline-offset-4">
              {t('pages.programmeId.homework')}
            </Link>
          </p>
        </section>
      </div>
    </>
  );
}
