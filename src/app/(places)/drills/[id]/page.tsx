import type { Metadata } from 'next';
import { z } from 'zod';
import { libraryDrill } from '@/core/drill';
import { getDrill, listVersions } from '@/data';
import { Designer } from '@/features/drills/designer';
import { designerOptions } from '@/features/drills/options';
import { BuiltIn } from '@/features/drills/built-in';
import { DrillFoot } from '@/features/drills/drill-foot';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Drill' };

const query = z.object({ version: z.coerce.number().int().positive().optional().catch(undefined) });

export default async function DrillPage({ params, searchParams }: PageProps<'/drills/[id]'>) {
  const { database, owner, units } = await coachContext();
  const { id } = await params;
  const builtIn = libraryDrill(id);
  if (builtIn) return <BuiltIn drill={builtIn} units={units} />;
  const { version } = query.parse(await searchParams);
  const drill = await orNotFound(getDrill(database, owner, id, version));
  const versions = await listVersions(database, owner, id);
  return (
    <>
      <Designer
        key={drill.version}
        id={drill.id}
        first={{ name: drill.name, layout: drill.layout, details: drill.details }}
        units={units}
        {...await designerOptions()}
        version={drill.version}
        newest={drill.version === versions[0]?.number}
        archived={drill.archivedAt !== null}
      />
      <DrillFoot id={id} versions={versions} shown={drill.version} />
    </>
  );
}
