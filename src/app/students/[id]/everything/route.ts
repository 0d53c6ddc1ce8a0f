import { z } from 'zod';
import { Problem } from '@/data';
import { reckon } from '@/features/reckoning/pool';
import { tooManyFiles } from '@/features/shared/limits';
import { coachRoute } from '@/features/shared/server';

/** Everything that is kept of a student, in a zip file: for who may give the student away. */
export const GET = coachRoute(
  'coach',
  async ({ principal }, _request, { params }: { params: Promise<{ id: string }> }) => {
    const id = z.uuid().safeParse((await params).id);
    if (!id.success) return new Response('Student not found.', { status: 404 });
    const refused = await tooManyFiles(principal.coachId);
    if (refused) return refused;
    try {
      const file = await reckon('everything', principal, { studentId: id.data });
      return new Response(new Uint8Array(file), {
        headers: {
          'content-type': 'application/zip',
          'content-disposition': 'attachment; filename="everything-of-a-student.zip"',
          'cache-control': 'no-store',
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
