import type { ReactNode } from 'react';
import { Nav } from '@/features/shared/nav';
import { PLACES } from '@/features/shared/places';
import { OpenOnPhone } from '@/features/sign-in/open-on-phone';
import { coachContext } from '@/features/shared/server';
import { KeepReady } from '@/features/offline/keep-ready';
import { UnsavedGuard } from '@/features/shared/unsaved-guard';
import { Palette } from '@/features/palette/palette';
import { notTaken } from '@/features/drills/take';
import { listDrills, listGreens, listStudents } from '@/data';

const COACH_DOES = [
  { group: 'Actions' as const, name: 'Add student', href: '/students/new' },
  { group: 'Actions' as const, name: 'Create drill', href: '/drills/new' },
  { group: 'Actions' as const, name: 'Add green', href: '/greens/new' },
];

export default async function PlacesLayout({ children }: { children: ReactNode }) {
  const { database, principal, coach } = await coachContext();
  const [students, drills, greens] = await Promise.all([
    listStudents(database, principal),
    listDrills(database, principal),
    listGreens(database, principal),
  ]);
  const assists = principal.as === 'assistant';
  const places = PLACES.map(({ href }) => href).filter((href) => !assists || href !== '/programme');
  const present = <T extends { archivedAt: Date | null }>(all: T[]) =>
    all.filter(({ archivedAt }) => !archivedAt);
  return (
    <div className="md:flex">
      <a
        href="#main"
        className="sr-only z-50 bg-ink px-4 py-3 text-sheet focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
      >
        Skip to content
      </a>
      <Nav places={places}>
        <OpenOnPhone stands="in the foot" />
      </Nav>
      <main id="main" className="min-w-0 flex-1 pb-20 md:pb-0">
        {children}
      </main>
      <KeepReady />
      <UnsavedGuard />
      <Palette
        entries={[
          { group: 'Actions', name: 'Start session', href: '/start' },
          ...(assists ? [] : COACH_DOES),
          { group: 'Actions', name: 'Change settings', href: '/records' },
          { group: 'Actions', name: 'Devices and sign-in', href: '/records/sign-in' },
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
          ...notTaken(drills, coach.settings.units).map(({ key, name }) => ({
            group: 'Built-in drills' as const,
            name,
            href: `/drills/${key}`,
          })),
        ]}
      />
    </div>
  );
}
