import { getTranslations } from 'next-intl/server';
import { connection, notFound } from '@/data';
import { takeBegun } from '@/features/offline/take-begun';
import { askingStudent } from '@/features/shared/principal';

/** Takes homework that a student's device began with no server. */
export async function POST(request: Request, { params }: RouteContext<'/home/[token]/begun'>) {
  const t = await getTranslations();
  const { token } = await params;
  return takeBegun(t, request, async () => {
    const principal = await askingStudent(token);
    if (!principal) throw notFound('page');
    return { database: await connection(), principal };
  });
}
