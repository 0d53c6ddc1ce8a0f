import type { Metadata } from 'next';
import { getDrill } from '@/data';
import { Designer } from '@/features/drills/designer';
import { typedDrill } from '@/features/drills/form';
import { designerOptions } from '@/features/drills/options';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Drill' };

export default async function DrillPage({ params }: PageProps<'/drills/[id]'>) {
  const { database, owner, units } = await coachContext();
  const drill = await orNotFound(getDrill(database, owner, (await params).id));
  return (
    <Designer
      key={`${drill.versionId} ${drill.name}`}
      id={drill.id}
      values={typedDrill(drill.name, drill.layout, units)}
      units={units}
      {...await designerOptions()}
      version={drill.version}
      archived={drill.archivedAt !== null}
    />
  );
}
