import { formatDistance } from 'date-fns';
import type { Metadata } from 'next';
import Link from 'next/link';
import { scoreBias } from '@/core/scoring';
import { showDegrees, showLength } from '@/core/units';
import { listCoaches, listStudents } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { reckon } from '@/features/reckoning/pool';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Students' };

export default async function StudentsPage({ searchParams }: PageProps<'/students'>) {
  const { database, principal, units } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const all = await listStudents(database, principal);
  const shown = all.filter(({ archivedAt }) => (archivedAt !== null) === archived);
  const current = await reckon('now', principal, undefined);
  const rows = shown.map((student) => ({ student, last: current[student.id] ?? null }));
  const coachOf = new Map((await listCoaches(database)).map(({ id, name }) => [id, name]));
  const hidden = all.length - shown.length;
  const now = new Date();
  return (
    <>
      <PlaceHead
        title={archived ? 'Archived students' : 'Students'}
        sub={archived ? 'put away; nothing of theirs is lost' : `${shown.length} students, by name`}
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/students' : '/students?archived'}>
              {archived ? 'Back to students' : `Archived (${hidden})`}
            </Link>
          </Button>
        )}
        {rows.length > 1 && !archived && (
          <Button asChild>
            <Link href="/students/compare">Side by side</Link>
          </Button>
        )}
        {principal.as !== 'assistant' && (
          <Button asChild kind="primary">
            <Link href="/students/new">Add student</Link>
          </Button>
        )}
      </PlaceHead>
      {rows.length === 0 ? (
        <Empty title={archived ? 'Nobody is put away' : 'Begin with a student'}>
          <p>Name, hand and putter are enough to start with.</p>
        </Empty>
      ) : (
        <div className="overflow-x-auto px-4 py-4 md:px-7">
          <table className="w-full text-[1rem]">
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1.5 pr-4 font-[inherit]">name</th>
                <th className="py-1.5 pr-4 font-[inherit] max-md:hidden">plays</th>
                <th className="py-1.5 pr-4 font-[inherit] max-lg:hidden">putter head</th>
                <th className="py-1.5 pr-4 font-[inherit]">
                  eight in ten start within, 80 % sure of
                </th>
                <th className="py-1.5 pr-4 font-[inherit] max-sm:hidden">bias</th>
                <th className="py-1.5 font-[inherit] max-sm:hidden">last here</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ student, last }) => (
                <tr key={student.id} className="border-b border-hair align-baseline">
                  <td className="py-3 pr-4">
                    <Link
                      href={`/students/${student.id}`}
                      className="text-[1.0625rem] font-[650] underline decoration-1 underline-offset-4"
                    >
                      {student.name}
                    </Link>
                    <span className="block text-sm text-ink2">
                      {student.level}
                      {student.seated && ', seated'}
                      {student.coachId !== principal.coachId &&
                        ` · with ${coachOf.get(student.coachId) || 'another coach'}`}
                    </span>
                  </td>
                  <td className="py-3 pr-4 max-md:hidden">{student.hand}-handed</td>
                  <td className="py-3 pr-4 max-lg:hidden">
                    {showLength(student.putter.headLength, 'across', units)} by{' '}
                    {showLength(student.putter.headDepth, 'across', units)}
                  </td>
                  <td className="py-3 pr-4">
                    {last ? (
                      <>
                        <span className="text-[1.125rem] num">
                          ±{showDegrees(last.scores.start.window.middle)}
                        </span>{' '}
                        <span className="text-sm whitespace-nowrap text-ink2">
                          {showDegrees(last.scores.start.window.low)} to{' '}
                          {showDegrees(last.scores.start.window.high)}
                        </span>
                      </>
                    ) : (
                      <span className="text-ink2">no putts yet</span>
                    )}
                  </td>
                  <td className="py-3 pr-4 max-sm:hidden">
                    {last && scoreBias(last.scores.start, student.hand)}
                  </td>
                  <td className="py-3 whitespace-nowrap text-ink2 max-sm:hidden">
                    {last ? formatDistance(last.at, now, { addSuffix: true }) : '–'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}
