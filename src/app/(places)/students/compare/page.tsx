import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { z } from 'zod';
import { isQuantity } from '@/core/quantity';
import { listStudents } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { reckon } from '@/features/reckoning/pool';
import { coachContext } from '@/features/shared/server';
import { Compared } from '@/features/students/compared';
import { RULED, nameOf } from '@/features/students/skill-words';

export const generateMetadata = pageTitle('titles.comparison');

const query = z.object({
  skill: z.string().refine(isQuantity).catch('start'),
  /** One student compared with themself; else all students side by side. */
  student: z.uuid().optional().catch(undefined),
});

export default async function ComparePage({ searchParams }: PageProps<'/students/compare'>) {
  const t = await getTranslations();
  const { database, principal } = await coachContext();
  const { skill, student: only } = query.parse(await searchParams);
  const students = await listStudents(database, principal);
  const one = students.find(({ id }) => id === only);
  const all = await reckon('compared', principal, { skill, studentId: one?.id ?? null });
  return (
    <>
      <PlaceHead
        title={
          one
            ? t('pages.studentsCompare.comparison', { one: one.name })
            : t('pages.studentsCompare.compareStudents')
        }
        sub={t('pages.studentsCompare.allOnOneScale', { skill: nameOf(skill), one: String(!!one) })}
      />
      <nav
        aria-label={t('pages.studentsCompare.skill')}
        className="flex flex-wrap gap-x-5 gap-y-1 px-4 py-3 text-[1.0625rem] md:px-7"
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
            {nameOf(name)}
          </Link>
        ))}
      </nav>
      {all.every(({ rows }) => rows.length === 0) ? (
        <Empty title={t('pages.studentsCompare.nothingToCompareYet')}>
          <p>{t('pages.studentsCompare.noPuttsForThisSkill')}</p>
        </Empty>
      ) : (
        <Compared skill={skill} comparisons={all} />
      )}
    </>
  );
}
