import { getTranslations } from 'next-intl/server';
import { ClientMessages } from '@/words/client-messages';
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

export default async function PlacesLayout({ children }: { children: ReactNode }) {
  const t = await getTranslations();
  const { database, principal, coach } = await coachContext();
  const [students, drills, greens] = await Promise.all([
    listStudents(database, principal),
    listDrills(database, principal),
    listGreens(database, principal),
  ]);
  const coachActions = [
    { name: t('pages.layout.addStudent'), href: '/students/new' },
    { name: t('pages.layout.createDrill'), href: '/drills/new' },
    { name: t('pages.layout.addGreen'), href: '/greens/new' },
  ];
  const assists = principal.as === 'assistant';
  const places = PLACES.map(({ href }) => href).filter((href) => !assists || href !== '/programme');
  const present = <T extends { archivedAt: Date | null }>(all: T[]) =>
    all.filter(({ archivedAt }) => !archivedAt);
  return (
    <ClientMessages of={['palette', 'signIn']}>
      <div className="md:flex">
        <a
          href="#main"
          className="sr-only z-50 bg-ink px-4 py-3 text-sheet focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
        >
          {t('pages.layout.skipToContent')}
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
            {
              group: 'actions',
              name: t('pages.layout.startSession'),
              href: '/start',
            },
            ...(assists
              ? []
              : coachActions.map((action) => ({ group: 'actions' as const, ...action }))),
            {
              group: 'actions',
              name: t('pages.layout.changeSettings'),
              href: '/records',
            },
            {
              group: 'actions',
              name: t('pages.layout.devicesAndSignIn'),
              href: '/records/sign-in',
            },
            ...present(students).map(({ id, name }) => ({
              group: 'students' as const,
              name,
              href: `/students/${id}`,
            })),
            ...present(drills).map(({ id, name }) => ({
              group: 'drills' as const,
              name,
              href: `/drills/${id}`,
            })),
            ...present(greens).map(({ id, name }) => ({
              group: 'greens' as const,
              name,
              href: `/greens/${id}`,
            })),
            ...notTaken(drills, coach.settings.units).map(({ key, name }) => ({
              group: 'builtInDrills' as const,
              name,
              href: `/drills/${key}`,
            })),
          ]}
        />
      </div>
    </ClientMessages>
  );
}
