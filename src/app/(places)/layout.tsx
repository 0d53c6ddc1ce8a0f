import type { ReactNode } from 'react';
import { Nav } from '@/features/shared/nav';
import { coachContext } from '@/features/shared/server';
import { Palette } from '@/features/palette/palette';
import { listDrills, listGreens, listStudents } from '@/data';

export default async function PlacesLayout({ children }: { children: ReactNode }) {
  const { database, owner } = await coachContext();
  const [students, drills, greens] = await Promise.all([
    listStudents(database, owner),
    listDrills(database, owner),
    listGreens(database, owner),
  ]);
  const present = <T extends { archivedAt: Date | null }>(all: T[]) =>
    all.filter(({ archivedAt }) => !archivedAt);
  return (
    <div className="md:flex">
      <Nav />
      <main className="min-w-0 flex-1 pb-20 md:pb-0">{children}</main>
      <Palette
        entries={[
          { group: 'Do', name: 'Start a session', href: '/start' },
          { group: 'Do', name: 'Add a student', href: '/students/new' },
          { group: 'Do', name: 'Make a drill', href: '/drills/new' },
          { group: 'Do', name: 'Add a green', href: '/greens/new' },
          { group: 'Do', name: 'Change settings', href: '/records' },
          ...present(students).map(({ id, name }) => ({
            group: 'Students' as const,
            name,
            href: `/students/${id}`,
          })),
          ...present(drills).map(({ id, name }) => ({
            group: 'Drills' as const,
            name,
            href: `/drills/${id}`,
          })),
          ...present(greens).map(({ id, name }) => ({
            group: 'Greens' as const,
            name,
            href: `/greens/${id}`,
          })),
        ]}
      />
    </div>
  );
}
