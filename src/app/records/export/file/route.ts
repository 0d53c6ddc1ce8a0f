import { addDays } from 'date-fns';
import { format } from '@/ui/when';
import { z } from 'zod';
import { WRITINGS, zipped } from '@/features/export/package';
import { partsOf } from '@/features/export/parts';
import { tooManyFiles } from '@/features/shared/limits';
import { coachRoute } from '@/features/shared/server';

const day = z.iso.date().transform((text) => new Date(`${text}T00:00`));

/** What is wanted, as the form's address says it; what is left empty is not asked for. */
const query = z.object({
  student: z.uuid().optional(),
  session: z.uuid().optional(),
  group: z.uuid().optional(),
  as: z.enum(WRITINGS).default('csv'),
  from: day.optional(),
  /** The last day that is wanted. */
  until: day.transform((date) => addDays(date, 1)).optional(),
});

/** Tables of what a coach reaches, in one zip file that is written while it is sent. */
export const GET = coachRoute('coach', async ({ database, principal }, request) => {
  const said = [...new URL(request.url).searchParams].filter(([, value]) => value !== '');
  const asked = query.safeParse(Object.fromEntries(said));
  if (!asked.success) {
    return new Response(`Some of this is not valid: ${z.prettifyError(asked.error)}`, {
      status: 422,
    });
  }
  const refused = await tooManyFiles(principal.coachId);
  if (refused) return refused;
  const { student, session, group, as: writing, from, until } = asked.data;
  const filter = { studentId: student, sessionId: session, groupId: group, from, until };
  const whole = principal.as === 'head' && !Object.values(filter).some(Boolean);
  const made = new Date();
  const parts = await partsOf(database, principal, { ...filter, whole, writing }, made);
  return new Response(zipped(parts), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="putts-${format(made, 'yyyy-MM-dd')}.zip"`,
      'cache-control': 'no-store',
    },
  });
});
