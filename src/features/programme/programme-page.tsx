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
  { aim }: Pick<Programme, 'aim'>,
  points: SkillPoints,
  putts: number,
): string {
  const windows = windowsOf(points);
  const sorted = Float64Array.from(windows).sort();
  const middle = sorted[sorted.length >> 1]!;
  const met = windows.filter((window) => window <= aim.window).length / windows.length;
  const now = `±${showAmount(aim.skill, middle)}`;
  if (putts === 0) return 'No putts for this skill yet.';
  if (met > 0.8)
    return `The window is ${now} now. The goal is very likely met (${showChance(met)}). Set the next goal.`;
  return `The window is ${now} now. The chance that the goal is already met is ${showChance(met)}.`;
}

/** A programme: its aim, what has changed and why, and all of its days by the week. */
export function ProgrammeDays({ programme, today }: { programme: Programme; today: Day }) {
  const weeks = [...new Set(programme.entries.map(({ day }) => mondayOf(day)))];
  return (
    <ol aria-label="Weeks">
      {weeks.map((monday, index) => (
        <li
          key={monday}
          className="grid gap-x-5 border-b border-rule px-4 py-2.5 sm:grid-cols-[104px_1fr] md:px-7"
        >
          <h3 className="num">
            Week {index + 1}
            <span className="block text-[0.84375rem] font-normal text-ink2">
              {dayWords(monday)}
            </span>
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
  if (programme.changes.length === 0) {
    return <p className="text-ink2">No changes yet.</p>;
  }
  return (
    <ul className="grid gap-2">
      {programme.changes.slice(0, 12).map(({ day, words, at }) => (
        <li key={`${day} ${words}`} className="text-[0.96875rem]">
          <strong className="num">{dayWords(day)}</strong> {words}
          <span className="block text-sm text-ink2">changed {dayWords(dayIn(at, zone))}</span>
        </li>
      ))}
    </ul>
  );
}

/** The aim in words: "Eight in ten start within ±0.8° by Tue 3 Apr". */
export const aimSaid = ({ aim }: Pick<Programme, 'aim'>): string =>
  `8 in 10 putts ${saysOf(aim.skill)} ±${showAmount(aim.skill, aim.window)} by ${dayWords(aim.by)}`;

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
  const { entries } = programme;
  const past = entries.filter(({ state }) => state !== 'planned');
  const done = past.filter(({ state }) => state === 'done').length;
  const next = entries.find(({ day, state }) => state === 'planned' && day >= today);
  return (
    <div className="border-b border-hair py-2 last:border-0">
      <p className="text-[1.0625rem]">
        <Link
          href={`/programme/${programme.id}`}
          className="font-[640] underline decoration-1 underline-offset-4"
        >
          {student.name}
        </Link>
        : {nameOf(programme.aim.skill).toLowerCase()} ±
        {showAmount(programme.aim.skill, programme.aim.window)} by {dayWords(programme.aim.by)}
      </p>
      <p className="text-[0.9375rem] text-ink2">
        {past.length === 0 ? 'starts now' : `${done} of ${past.length} days done`}
        {next && ` · next ${dayWords(next.day)}`}
      </p>
    </div>
  );
}
