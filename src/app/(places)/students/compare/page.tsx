import type { Metadata } from 'next';
import Link from 'next/link';
import { z } from 'zod';
import { listSessions, listStudents, toLogged } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { keptHistory } from '@/features/shared/scores';
import { coachContext } from '@/features/shared/server';
import { Compared, type ComparedRow } from '@/features/students/compared';
import { comparisonsOf, type Comparison } from '@/features/students/comparisons';
import { basisOfAll } from '@/features/students/reading';
import { RULED, SKILL_NAMES } from '@/features/students/skill-words';

export const metadata: Metadata = { title: 'Compare' };

const query = z.object({
  skill: z.enum(RULED).catch('start'),
  /** One student compared with themself; else all students side by side. */
  student: z.uuid().optional().catch(undefined),
});

export default async function ComparePage({ searchParams }: PageProps<'/students/compare'>) {
  const { database, principal, coach, units } = await coachContext();
  const { skill, student: only } = query.parse(await searchParams);
  const faceShare = Number(coach.settings.faceShare);
  const [students, sessions] = await Promise.all([
    listStudents(database, principal),
    listSessions(database, principal, { studentId: only }),
  ]);
  const one = students.find(({ id }) => id === only);
  const shown = one ? [one] : students.filter(({ archivedAt }) => !archivedAt);
  const known = shown.map((student) => {
    const own = sessions.filter(({ studentId }) => studentId === student.id);
    return { student, own, scores: keptHistory(student.id, own.map(toLogged), faceShare) };
  });
  const all: Comparison[] = one
    ? known.flatMap(({ own, scores }) => comparisonsOf(one, own, scores, skill, faceShare))
    : [
        {
          title: '',
          rows: known
            .flatMap(({ student, own, scores }): ComparedRow[] => {
              const last = scores.findLast(({ basis }) => basis[skill] > 0);
              const layout = own.find(({ id }) => id === last?.id)?.runs[0]?.layout;
              if (!last || !layout) return [];
              return [
                {
                  name: student.name,
                  href: `/students/${student.id}?skill=${skill}`,
                  score: last.smoothed[skill],
                  putts: basisOfAll(scores)[skill],
                  hand: student.hand,
                  layout,
                },
              ];
            })
            .sort((a, b) => a.score.window.middle - b.score.window.middle),
        },
      ];
  return (
    <>
      <PlaceHead
        title={one ? `${one.name}, compared` : 'Side by side'}
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
      {all.every(({ rows }) => rows.length === 0) ? (
        <Empty title="Nothing to compare yet">
          <p>No putt speaks of this skill. Its ruler on a student’s page says which drill does.</p>
        </Empty>
      ) : (
        <Compared skill={skill} comparisons={all} units={units} />
      )}
    </>
  );
}
