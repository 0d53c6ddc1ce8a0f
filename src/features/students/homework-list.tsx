import { getTranslations } from 'next-intl/server';
import type { Translate } from '@/words/translate';
import { dayIn, dayWords } from '@/core/calendar';
import { adherenceOf } from '@/core/planning';
import {
  getDrill,
  type CoachPrincipal,
  type Database,
  type Homework,
  type HomeworkWord,
  type Session,
} from '@/data';
import { daysDone } from '../home/days-done';
import { WordList } from '../home/word-list';
import { WeekMarks } from '../home/week-marks';
import { AnswerWord } from './answer-word';
import { EndWork } from './end-work';
import type { Effect } from './homework-effects';
import { nameOf, changeWords } from './skill-words';

/** What a student was given to do at home: how much of it was done, and what has changed since. */
export async function HomeworkList({
  database,
  principal,
  homework,
  words,
  given,
  sessions,
  effects,
  zone,
  at,
}: {
  database: Database;
  principal: CoachPrincipal;
  homework: Homework[];
  words: HomeworkWord[];
  /** The student's first name. */
  given: string;
  sessions: Session[];
  effects: Record<string, Effect>;
  zone: string;
  at: Date;
}) {
  const t = await getTranslations();
  const today = dayIn(at, zone);
  const rows = await Promise.all(
    homework.map(async (work) => ({
      work,
      drill: await getDrill(database, principal, work.drillId),
      adherence: adherenceOf(work, daysDone(sessions, work.id, zone), today),
    })),
  );
  return (
    <ul>
      {rows.map(({ work, drill, adherence: { weeks, asked, done } }) => {
        const going = !work.endedAt && work.until >= today;
        return (
          <li key={work.id} className="border-b border-rule py-3 last:border-0">
            <div className="flex flex-wrap items-start justify-between gap-3">
              <div>
                <p className="text-[1.125rem] font-[640]">{drill.name}</p>
                <p className="text-[0.9375rem] text-ink2">
                  {t('students.homeworkList.onceAWeekTo', {
                    timesAWeek: work.timesAWeek,
                    from: dayWords(work.from),
                    until: dayWords(work.until),
                  })}
                  {work.rung !== null && t('students.homeworkList.rung', { rung: work.rung + 1 })}
                  {work.endedAt &&
                    t('students.homeworkList.ended', {
                      endedAt: dayWords(dayIn(work.endedAt, zone)),
                    })}
                </p>
              </div>
              {going && <EndWork id={work.id} name={drill.name} />}
            </div>
            <ul className="mt-2 flex flex-wrap gap-x-5 gap-y-1.5">
              {weeks.map((week) => (
                <li key={week.from} className="text-sm text-ink2">
                  <WeekMarks week={week} />{' '}
                  {week.now ? t('students.homeworkList.thisWeek') : dayWords(week.from)}
                </li>
              ))}
            </ul>
            <p className="mt-2 text-[1rem]">
              {asked > 0 ? t('students.homeworkList.ofDoneInPastWeeks', { done, asked }) : ''}
              {effects[work.id] && effectWords(t, effects[work.id]!)}
            </p>
            {words.some(({ homeworkId }) => homeworkId === work.id) && (
              <div className="mt-3 grid gap-3">
                <WordList
                  words={words.filter(({ homeworkId }) => homeworkId === work.id)}
                  student={given}
                  coach="you"
                />
                <AnswerWord homework={work.id} given={given} />
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** What has changed of a skill since a day; beside the homework, not because of it. */
function effectWords(t: Translate, { skill, change }: Effect): string {
  const name = nameOf(skill);
  if (!change) return t('students.homeworkList.nothingToCompareYet', { name });
  return t('students.homeworkList.sinceThen', { name, change: changeWords(change) });
}
