import { format } from 'date-fns';
import type { Metadata } from 'next';
import Link from 'next/link';
import { z } from 'zod';
import { listSessions, listStudents, toLogged } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { keptHistory } from '@/features/shared/scores';
import { coachContext } from '@/features/shared/server';
import { Compared, type ComparedRow } from '@/features/students/compared';
import { basisOfAll } from '@/features/students/reading';
import { RULED, SKILL_NAMES } from '@/features/students/skill-words';

export const metadata: Metadata = { title: 'Compare' };

const query = z.object({
  skill: z.enum(RULED).catch('start'),
  /** One student's first session against the last; else all students side by side. */
  student: z.uuid().optional().catch(undefined),
});

export default async function ComparePage({ searchParams }: PageProps<'/students/compare'>) {
  const { database, owner, coach, units } = await coachContext();
  const { skill, student: only } = query.parse(await searchParams);
  const [students, sessions] = await Promise.all([
    listStudents(database, owner),
    listSessions(database, owner),
  ]);
  const shown = students.filter(({ id, archivedAt }) => (only ? id === only : !archivedAt));
  const rows = shown.flatMap((student): ComparedRow[] => {
    const own = sessions.filter(({ studentId }) => studentId === student.id);
    const scores = keptHistory(student.id, own.map(toLogged), Number(coach.settings.faceShare));
    const speaking = scores.filter(({ basis }) => basis[skill] > 0);
    const [first, last] = [speaking[0], speaking.at(-1)];
    const layout = own.find(({ id }) => id === last?.id)?.runs[0]?.layout;
    if (!first || !last || !layout) return [];
    const shared = { hand: student.hand, layout, href: `/students/${student.id}?skill=${skill}` };
    const end = {
      ...shared,
      name: only ? format(last.at, 'd MMMM') : student.name,
      score: last.smoothed[skill],
      putts: basisOfAll(scores)[skill],
    };
    return only && first !== last
      ? [
          {
            ...shared,
            name: format(first.at, 'd MMMM'),
            score: first.smoothed[skill],
            putts: first.basis[skill],
          },
          end,
        ]
      : [end];
  });
  rows.sort((a, b) => (only ? 0 : a.score.window.middle - b.score.window.middle));
  const [one] = only ? shown : [];
  return (
    <>
      <PlaceHead
        title={one ? `${one.name}, then and now` : 'Side by side'}
        sub={`${SKILL_NAMES[skill]}, all on one scale${one ? '' : ', the smallest window first'}`}
      />
      <nav
        aria-label="Skill"
        className="flex flex-wrap gap-x-5 gap-y-1 px-4 py-3 text-[17px] md:px-7"
      >
        {RULED.map((name) => (
          <Link
            key={name}
            href={`/students/compare?skill=${name}${only ? `&student=${only}` : ''}`}
            aria-current={name === skill ? 'page' : undefined}
            className={
              name === skill
                ? 'border-b-[3px] border-line font-[720]'
                : 'underline decoration-1 underline-offset-4'
            }
          >
            {SKILL_NAMES[name]}
          </Link>
        ))}
      </nav>
      {rows.length === 0 ? (
        <Empty title="Nothing to compare yet">
          <p>No putt speaks of this skill. Its ruler on a student’s page says which drill does.</p>
        </Empty>
      ) : (
        <Compared skill={skill} rows={rows} units={units} />
      )}
    </>
  );
}
