import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { showChance } from '@/core/units';
import { Link } from '@/ui/link';
import { dayIn, dayWords, mondayOf, type Day } from '@/core/calendar';
import type { SkillPoints } from '@/core/scoring';
import { windowsOf } from '@/core/scoring';
import type { Programme, Student } from '@/data';
import { nameOf, saysOf, showAmount } from '../students/skill-words';
import { DateLine } from './agenda';

/** How far a programme's aim is off, and how likely it is met already. */
export function aimWords(
  t: Translate,
  { aim }: Pick<Programme, 'aim'>,
  points: SkillPoints,
  putts: number,
): string {
  const windows = windowsOf(points);
  const sorted = Float64Array.from(windows).sort();
  const middle = sorted[sorted.length >> 1]!;
  const met = windows.filter((window) => window <= aim.window).length / windows.length;
  const now = `±${showAmount(aim.skill, middle)}`;
  if (putts === 0) return t('programme.programmePage.noPuttsForThisSkill');
  if (met > 0.8)
    return t('programme.programmePage.theWindowIsNowThe', { now, met: showChance(met) });
  return t('programme.programmePage.theWindowIsNowThe2', { now, met: showChance(met) });
}

/** A programme: its aim, what has changed and why, and all of its days by the week. */
export function ProgrammeDays({ programme, today }: { programme: Programme; today: Day }) {
  const t = useTranslations();
  const weeks = [...new Set(programme.entries.map(({ day }) => mondayOf(day)))];
  return (
    <ol aria-label={t('programme.programmePage.weeks')}>
      {weeks.map((monday, index) => (
        <li
          key={monday}
          className="grid gap-x-5 border-b border-rule px-4 py-2.5 sm:grid-cols-[104px_1fr] md:px-7"
        >
          <h3 className="num">
            {t.rich('programme.programmePage.week', {
              index: index + 1,
              monday: dayWords(monday),
              span: (chunks) => (
                <span className="block text-[0.84375rem] font-normal text-ink2">{chunks}</span>
              ),
            })}
          </h3>
          <ul>
            {programme.entries
              .filter(({ day }) => mondayOf(day) === monday)
              .map((date) => (
                <li key={date.id} className="py-1">
                  <DateLine
                    date={date}
                    name={`${dayWords(date.day)}${date.day === today ? ', today' : ''}`}
                  />
                </li>
              ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

/** What a programme changed, and why. */
export function ProgrammeChanges({ programme, zone }: { programme: Programme; zone: string }) {
  const t = useTranslations();
  if (programme.changes.length === 0) {
    return <p className="text-ink2">{t('programme.programmePage.noChangesYet')}</p>;
  }
  return (
    <ul className="grid gap-2">
      {programme.changes.slice(0, 12).map(({ day, words, at }) => (
        <li key={`${day} ${words}`} className="text-[0.96875rem]">
          <strong className="num">{dayWords(day)}</strong> {words}
          <span className="block text-sm text-ink2">
            {t('programme.programmePage.changed', { at: dayWords(dayIn(at, zone)) })}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** The aim in words: "Eight in ten start within ±0.8° by Tue 3 Apr". */
export const aimSaid = (t: Translate, { aim }: Pick<Programme, 'aim'>): string =>
  t('programme.programmePage.n8In10PuttsBy', {
    skill: saysOf(aim.skill),
    skill2: showAmount(aim.skill, aim.window),
    by: dayWords(aim.by),
  });

/** A programme in a line, for lists. */
export function ProgrammeLine({
  programme,
  student,
  today,
}: {
  programme: Programme;
  student: Student;
  today: Day;
}) {
  const t = useTranslations();
  const { entries } = programme;
  const past = entries.filter(({ state }) => state !== 'planned');
  const done = past.filter(({ state }) => state === 'done').length;
  const next = entries.find(({ day, state }) => state === 'planned' && day >= today);
  return (
    <div className="border-b border-hair py-2 last:border-0">
      <p className="text-[1.0625rem]">
        {t.rich('programme.programmePage.by', {
          student: student.name,
          goal: nameOf(programme.aim.skill).toLowerCase(),
          window: showAmount(programme.aim.skill, programme.aim.window),
          by: dayWords(programme.aim.by),
          link: (chunks) => (
            <Link
              href={`/programme/${programme.id}`}
              className="font-[640] underline decoration-1 underline-offset-4"
            >
              {chunks}
            </Link>
          ),
        })}
      </p>
      <p className="text-[0.9375rem] text-ink2">
        {past.length === 0
          ? t('programme.programmePage.startsNow')
          : t('programme.programmePage.ofDaysDone', { done, past: past.length })}
        {next && t('programme.programmePage.next', { day: dayWords(next.day) })}
      </p>
    </div>
  );
}
