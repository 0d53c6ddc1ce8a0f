import { pageTitle } from '@/words/title';
import { Designer } from '@/features/drills/designer';
import { newDraft } from '@/features/drills/draft';
import { designerOptions } from '@/features/drills/options';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newDrill');

export default async function NewDrillPage() {
  const { units, coach } = await coachContext('coach');
  const { greens, students } = await designerOptions();
  const latest = greens
    .filter(({ read }) => read.spotId === null)
    .toSorted((a, b) => b.read.at.localeCompare(a.read.at))[0];
  const first = newDraft(coach.settings, latest && { read: latest.read, ...latest.current });
  return <Designer id={null} first={first} units={units} greens={greens} students={students} />;
}
