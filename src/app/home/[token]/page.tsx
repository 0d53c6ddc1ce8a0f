import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { KeepReady } from '@/features/offline/keep-ready';
import { onFloor, ruleWords } from '@/core/drill';
import { dayAfter, dayIn, dayWords } from '@/core/calendar';
import { adherenceOf } from '@/core/planning';
import {
  getDrill,
  homeCarpet,
  listAppointments,
  listHomework,
  listSessions,
  listWords,
} from '@/data';
import { KINDS, forWhat, timeWords } from '@/features/programme/date-words';
import { showLength } from '@/core/units';
import { CarpetForm } from '@/features/home/carpet';
import { rungWords } from '@/features/drills/rung-words';
import { daysDone } from '@/features/home/days-done';
import { openHome } from '@/features/home/server';
import { LeaveWord } from '@/features/home/leave-word';
import { StartAtHome } from '@/features/home/start-at-home';
import { WordList } from '@/features/home/word-list';
import { WeekMarks } from '@/features/home/week-marks';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.homework', {
  robots: { index: false, follow: false },
});

/** Days ahead that a student is told of. */
const AHEAD = 14;

export default async function HomePage({ params }: PageProps<'/home/[token]'>) {
  const t = await getTranslations();
  const { token } = await params;
  const { database, principal, student, coach, units, zone } = await openHome(token);
  const today = dayIn(new Date(), zone);
  const [homework, words, sessions, dates, carpet] = await Promise.all([
    listHomework(database, principal, student.id),
    listWords(database, principal, student.id),
    listSessions(database, principal, { studentId: student.id }),
    listAppointments(database, principal, {
      from: today,
      until: dayAfter(today, AHEAD),
      studentId: student.id,
    }),
    homeCarpet(database, principal, student.id),
  ]);
  const going = homework.filter(({ endedAt, until }) => !endedAt && until >= today);
  const rows = await Promise.all(
    going.map(async (work) => {
      const { name, layout, details } = await getDrill(database, principal, work.drillId);
      return { work, name, layout, details };
    }),
  );
  const given = student.name.split(' ')[0]!;
  const planned = dates.filter(({ state }) => state === 'planned');
  return (
    <main className="mx-auto min-h-dvh max-w-2xl bg-sheet pb-10">
      <KeepReady home={token} />
      <header className="border-b-[length:var(--stroke)] border-ink px-5 pt-6 pb-4">
        <h1>{t('pages.home.sHomework', { given })}</h1>
        {coach.name && <p className="text-ink2">{t('pages.home.from', { coach: coach.name })}</p>}
      </header>
      {rows.length === 0 && (
        <p className="px-5 py-6 text-[1.0625rem]">{t('pages.home.noHomeworkJustNowIt')}</p>
      )}
      {rows.map(({ work, name, details }) => {
        const weeks = adherenceOf(work, daysDone(sessions, work.id, zone), today).weeks;
        const now = weeks.at(-1);
        const rung = work.rung === null ? undefined : details.ladder[work.rung];
        const open = sessions.some(
          ({ homeworkId, finishedAt }) => homeworkId === work.id && !finishedAt,
        );
        return (
          <section key={work.id} aria-label={name} className="border-b border-rule px-5 py-5">
            <h2 className="text-[1.375rem] num">{name}</h2>
            <p className="text-[1rem]">{details.purpose}</p>
            <p className="mt-1 text-[0.96875rem] text-ink2">
              {ruleWords(details.rule)}
              {rung &&
                t('pages.home.rung', { rung: work.rung! + 1, rung2: rungWords(rung, units) })}{' '}
              {t('pages.home.aboutMinutes', { minutes: details.minutes })}
            </p>
            {work.note && (
              <p className="mt-2 border-l-4 border-line pl-3 text-[1rem]">{work.note}</p>
            )}
            <p className="my-3 flex flex-wrap items-center gap-3 text-[1rem]">
              {now ? (
                <>
                  <WeekMarks week={now} />
                  <span>
                    {t('pages.home.ofDoneThisWeek', { done: now.done, asked: now.asked })}
                  </span>
                </>
              ) : (
                <span>{t('pages.home.starts', { from: dayWords(work.from) })}</span>
              )}
              <span className="text-ink2">
                {t('pages.home.until', { until: dayWords(work.until) })}
              </span>
            </p>
            <div className="grid grid-cols-[1fr_auto] gap-2.5">
              <StartAtHome
                token={token}
                id={work.id}
                name={name}
                open={open}
                carpet={carpet !== null && onFloor(details)}
              />
              <Button asChild className="min-h-14">
                <a
                  href={`/home/${token}/sheet/${work.id}`}
                  aria-label={t('pages.home.howToSetUp', { name })}
                >
                  {t('pages.home.howToSetItUp')}
                </a>
              </Button>
            </div>
            <div className="mt-4 grid gap-3 empty:hidden">
              <WordList
                words={words.filter(({ homeworkId }) => homeworkId === work.id)}
                student={t('pages.home.you')}
                coach={coach.name || t('pages.home.yourCoach')}
              />
            </div>
            <details className="mt-3">
              <summary className="min-h-11 cursor-pointer py-2 text-[1rem] font-[620] underline underline-offset-4">
                {t('pages.home.tellYourCoachHowIt')}
              </summary>
              <div className="mt-3">
                <LeaveWord token={token} homework={work.id} />
              </div>
            </details>
          </section>
        );
      })}
      <section aria-label={t('pages.home.yourCarpet')} className="border-b border-rule px-5 py-3">
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-[1.0625rem]">
            <strong>{t('pages.home.yourCarpet')}</strong>{' '}
            <span className="text-ink2">
              {carpet
                ? t('pages.home.rollsLikeAGreenOf', {
                    greenSpeed: showLength(carpet.greenSpeed, 'speed', units),
                    at: dayWords(dayIn(carpet.at, zone)),
                  })
                : t('pages.home.notMeasuredYet')}
            </span>
          </summary>
          <div className="mt-2 mb-3">
            <CarpetForm token={token} units={units} before={carpet?.rolls ?? null} />
          </div>
        </details>
      </section>
      {planned.length > 0 && (
        <section aria-label={t('pages.home.comingUp')} className="px-5 py-5">
          <h2 className="mb-2 text-[1.25rem] num">{t('pages.home.comingUp')}</h2>
          <ul>
            {planned.map((date) => (
              <li key={date.id} className="border-b border-hair py-2 last:border-0">
                <strong>{dayWords(date.day)}</strong> {KINDS[date.kind].name}
                {forWhat(date) && `: ${forWhat(date)}`}
                <span className="text-ink2"> · {timeWords(date)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="px-5 pt-4 text-sm text-ink2">{t('pages.home.clearTheSpaceAroundYour')}</p>
    </main>
  );
}
