import { z } from 'zod';
import { Problem, getCoach, getStudent } from '@/data';
import { reckon } from '@/features/reckoning/pool';
import { fileName } from '@/features/shared/file-name';
import { coachRoute } from '@/features/shared/server';
import { PAPERS, sheetQuery } from '@/features/sheet/paper';
import { reportPdf } from '@/features/students/report-pdf';

/** The share that the next gate should let through. */
const TEACHES = 0.7;

/** A student's report, as a PDF to take along. */
export const GET = coachRoute(
  'coach',
  async ({ database, principal }, request, { params }: { params: Promise<{ id: string }> }) => {
    const id = z.uuid().safeParse((await params).id);
    const { paper } = sheetQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
    try {
      if (!id.success) throw new Problem('not-found', 'Student not found.');
      const student = await getStudent(database, principal, id.data);
      const { known } = await reckon('student', principal, { studentId: id.data, rate: TEACHES });
      if (!known) throw new Problem('not-found', 'No data on this student’s putting yet.');
      const coach = await getCoach(database, principal);
      const { units } = coach.settings;
      const now = new Date();
      const file = await reportPdf(student, coach.name, known, units, PAPERS[paper], now);
      return new Response(new Uint8Array(file), {
        headers: {
          'content-type': 'application/pdf',
          'content-disposition': `attachment; filename="${fileName(student.name, 'pdf')}"`,
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
