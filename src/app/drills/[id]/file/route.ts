import { libraryDrill } from '@/core/drill';
import { Problem, getDrill, type CoachPrincipal, type Database } from '@/data';
import { writeDrillFile } from '@/features/drills/drill-file';
import { fileName } from '@/features/shared/file-name';
import { coachRoute } from '@/features/shared/server';

/** A drill as a file that another book can take in. */
export const GET = coachRoute(
  'coach',
  async ({ database, principal }, _request, { params }: RouteContext<'/drills/[id]/file'>) => {
    const { id } = await params;
    try {
      const drill = libraryDrill(id) ?? (await ownDrill(database, principal, id));
      const { key: _key, ...values } = { key: id, ...drill };
      return new Response(writeDrillFile(values), {
        headers: {
          'content-type': 'application/json',
          'content-disposition': `attachment; filename="${fileName(values.name, 'drill.json')}"`,
        },
      });
    } catch (error) {
      if (error instanceof Problem && error.code === 'not-found') {
        return new Response(error.message, { status: 404 });
      }
      throw error;
    }
  },
);

async function ownDrill(database: Database, principal: CoachPrincipal, id: string) {
  const { name, layout, details } = await getDrill(database, principal, id);
  return { name, layout, ...details };
}
