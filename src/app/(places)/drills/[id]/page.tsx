import { getTranslations } from 'next-intl/server';
import type { Metadata } from 'next';
import { z } from 'zod';
import { libraryDrill } from '@/core/drill';
import { getDrill, listCoaches, listVersions, type CoachPrincipal } from '@/data';
import { History } from '@/features/academy/history';
import { Designer } from '@/features/drills/designer';
import { designerOptions } from '@/features/drills/options';
import { BuiltIn } from '@/features/drills/built-in';
import { DrillFoot } from '@/features/drills/drill-foot';
import { coachContext, orNotFound, titled } from '@/features/shared/server';

export const generateMetadata = async ({
  params,
}: PageProps<'/drills/[id]'>): Promise<Metadata> => {
  const t = await getTranslations();
  return titled(t('pages.drillsId.drill'), async ({ database, principal }) => {
    const { id } = await params;
    return libraryDrill(id)?.name ?? (await getDrill(database, principal, id)).name;
  });
};

const query = z.object({ version: z.coerce.number().int().positive().optional().catch(undefined) });

/** What a coach may do with a drill: change their own, keep a copy of another's, or only see it. */
function accessTo({ as, coachId }: CoachPrincipal, drill: { coachId: string }) {
  if (as === 'assistant') return 'see' as const;
  return as === 'head' || drill.coachId === coachId ? ('own' as const) : ('copy' as const);
}

export default async function DrillPage({ params, searchParams }: PageProps<'/drills/[id]'>) {
  const { database, principal, units } = await coachContext();
  const { id } = await params;
  const builtIn = libraryDrill(id, units);
  if (builtIn) return <BuiltIn drill={builtIn} units={units} />;
  const { version } = query.parse(await searchParams);
  const drill = await orNotFound(getDrill(database, principal, id, version));
  const versions = await listVersions(database, principal, id);
  const coaches = await listCoaches(database);
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
        access={accessTo(principal, drill)}
        sharing={coaches.length > 1 ? { shared: drill.sharedAt !== null } : null}
      />
      <DrillFoot id={id} versions={versions} shown={drill.version} />
      <History database={database} principal={principal} about={[drill.id]} />
    </>
  );
}
