import { libraryDrill } from '@/core/drill';
import { Problem, connection, getDrill } from '@/data';
import { writeDrillFile } from '@/features/drills/drill-file';
import { fileName } from '@/features/shared/file-name';

/** A drill as a file that another book can take in. */
export async function GET(_request: Request, { params }: RouteContext<'/drills/[id]/file'>) {
  const { id } = await params;
  try {
    const drill = libraryDrill(id) ?? (await ownDrill(id));
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
}

async function ownDrill(id: string) {
  const { database, owner } = await connection();
  const { name, layout, details } = await getDrill(database, owner, id);
  return { name, layout, ...details };
}
