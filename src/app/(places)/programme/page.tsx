import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { headers } from 'next/headers';
import { Link } from '@/ui/link';
import { format } from '@/ui/when';
import { z } from 'zod';
import { dayAfter, dayIn, daySchema, dayWords, mondayOf } from '@/core/calendar';
import { ownView, knownLink, listAppointments, listPlans, listStudents } from '@/data';
import { Agenda } from '@/features/programme/agenda';
import { CalendarLink } from '@/features/programme/calendar-link';
import { Month } from '@/features/programme/month';
import { currentProgrammes } from '@/features/programme/current-programmes';
import { ProgrammeLine } from '@/features/programme/programme-page';
import { RunPlanButton } from '@/features/programme/run-plan-button';
import { Week } from '@/features/programme/week';
import { Empty, PlaceHead } from '@/features/shared/place';
import { ZoneNote } from '@/features/shared/zone-note';
import { originOf } from '@/features/shared/origin';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.programme');

const VIEWS = ['agenda', 'week', 'month'] as const;
type View = (typeof VIEWS)[number];

const query = z.object({
  view: z.enum(VIEWS).catch('agenda'),
  day: daySchema.optional().catch(undefined),
});

/** Days that an agenda shows. */
const AGENDA = 21;

/** The first and last day that a view shows, and the days that lead on and back. */
function spanOf(
  view: View,
  day: string,
): { from: string; until: string; back: string; on: string } {
  switch (view) {
    case 'agenda':
      return {
        from: day,
        until: dayAfter(day, AGENDA - 1),
        back: dayAfter(day, -AGENDA),
        on: dayAfter(day, AGENDA),
      };
    case 'week': {
      const from = mondayOf(day);
      return { from, until: dayAfter(from, 6), back: dayAfter(from, -7), on: dayAfter(from, 7) };
    }
    case 'month': {
      const first = `${day.slice(0, 7)}-01`;
      const from = mondayOf(first);
      return {
        from,
        until: dayAfter(from, 41),
        back: `${dayAfter(first, -1).slice(0, 7)}-01`,
        on: `${dayAfter(first, 31).slice(0, 7)}-01`,
      };
    }
  }
}

export default async function ProgrammesPage({ searchParams }: PageProps<'/programme'>) {
  const t = await getTranslations();
  const { database, principal: asking, coach } = await coachContext('coach');
  const principal = ownView(asking);
  const { zone } = coach.settings;
  const at = new Date();
  const today = dayIn(at, zone);
  const { view, day = today } = query.parse(await searchParams);
  const { from, until, back, on } = spanOf(view, day);
  const programmes = await currentProgrammes(database, principal, at, zone);
  const [students, dates, plans, link] = await Promise.all([
    listStudents(database, principal),
    listAppointments(database, principal, { from, until, own: true }),
    listPlans(database, principal),
    knownLink(database, principal, null, at),
  ]);
  const known = new Map(students.map((student) => [student.id, student]));
  const nameOf = (id: string) => known.get(id)?.name ?? '';
  const kept = plans.filter(({ archivedAt }) => !archivedAt).slice(0, 8);
  const title =
    view === 'month'
      ? format(new Date(`${day}T12:00:00`), 'MMMM yyyy')
      : t('pages.programme.to', { from: dayWords(from), until: dayWords(until) });
  const to = (changes: { view?: View; day?: string }) =>
    `/programme?${new URLSearchParams({ view, day, ...changes }).toString()}`;
  if (students.length === 0) {
    return (
      <>
        <PlaceHead title={t('pages.programme.programme')} />
        <Empty title={t('pages.programme.addYourFirstStudent')}>
          <p>{t('pages.programme.aProgrammeIsOneStudents')}</p>
          <Button asChild kind="primary">
            <Link href="/students/new">{t('pages.programme.addStudent')}</Link>
          </Button>
        </Empty>
      </>
    );
  }
  return (
    <>
      <PlaceHead
        title={t('pages.programme.programme')}
        sub={
          <>
            {title}
            <ZoneNote zone={zone} />
          </>
        }
      >
        <Button asChild>
          <Link href={`/programme/dates/new?day=${day}`}>
            {t('pages.programme.newAppointment')}
          </Link>
        </Button>
        <Button asChild>
          <Link href="/programme/new">{t('pages.programme.newProgramme')}</Link>
        </Button>
        <Button asChild kind="primary">
          <Link href="/programme/hours/new">{t('pages.programme.planSession')}</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_360px] lg:divide-x lg:divide-y-0">
        <section aria-label={t('pages.programme.diary')} className="min-w-0">
          <nav
            aria-label={t('pages.programme.diaryViews')}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-2.5 text-[0.96875rem] md:px-7"
          >
            {VIEWS.map((one) => (
              <Link
                key={one}
                href={to({ view: one })}
                aria-current={one === view ? 'true' : undefined}
                className={
                  one === view ? 'font-[720]' : 'underline decoration-1 underline-offset-4'
                }
              >
                {one}
              </Link>
            ))}
            <span className="ml-auto flex gap-4">
              <Link href={to({ day: back })} className="underline underline-offset-4">
                {t('pages.programme.earlier')}
              </Link>
              <Link href={to({ day: today })} className="underline underline-offset-4">
                {t('pages.programme.today')}
              </Link>
              <Link href={to({ day: on })} className="underline underline-offset-4">
                {t('pages.programme.later')}
              </Link>
            </span>
          </nav>
          {view === 'agenda' && <Agenda dates={dates} nameOf={nameOf} today={today} />}
          {view === 'week' && <Week monday={from} dates={dates} nameOf={nameOf} today={today} />}
          {view === 'month' && (
            <Month
              key={day}
              month={`${day.slice(0, 7)}-01`}
              today={today}
              dates={dates.map(({ id, day: on, time, kind, studentId, state }) => ({
                id,
                day: on,
                time,
                kind,
                name: nameOf(studentId).split(' ')[0]!,
                missed: state === 'missed',
              }))}
            />
          )}
        </section>
        <section
          aria-label={t('pages.programme.programmesAndPlans')}
          className="grid content-start gap-6 bg-sheet px-4 py-5 md:px-6"
        >
          <div>
            <h2 className="mb-1 text-[1.25rem] num">{t('pages.programme.programmes')}</h2>
            {programmes.length === 0 ? (
              <p className="text-ink2">{t('pages.programme.noProgrammesYetAProgramme')}</p>
            ) : (
              programmes.map((programme) => (
                <ProgrammeLine
                  key={programme.id}
                  programme={programme}
                  student={known.get(programme.studentId)!}
                  today={today}
                />
              ))
            )}
          </div>
          <div>
            <h2 className="mb-1 text-[1.25rem] num">{t('pages.programme.savedPlans')}</h2>
            {kept.length === 0 ? (
              <p className="text-ink2">{t('pages.programme.noSavedPlansYetPlan')}</p>
            ) : (
              kept.map(({ id, name, blocks, minutes }) => (
                <div
                  key={id}
                  className="flex items-center justify-between gap-3 border-b border-hair py-2 last:border-0"
                >
                  <p className="min-w-0">
                    <Link
                      href={`/programme/hours/${id}`}
                      className="text-[1.0625rem] font-[640] underline decoration-1 underline-offset-4"
                    >
                      {name}
                    </Link>
                    <span className="block text-[0.9375rem] text-ink2">
                      {t('pages.programme.drillsMin', { blocks: blocks.length, minutes })}
                    </span>
                  </p>
                  <RunPlanButton id={id} name={name} />
                </div>
              ))
            )}
          </div>
          <div>
            <h2 className="mb-2 text-[1.25rem] num">{t('pages.programme.calendar')}</h2>
            <CalendarLink known={link} origin={originOf((await headers()).get('host'))} />
          </div>
        </section>
      </div>
    </>
  );
}
