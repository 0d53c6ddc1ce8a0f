import { z } from 'zod';
import { Problem } from '@/data';
import { letterOf } from '@/features/programme/letters';
import { loadPlan } from '@/features/programme/load-plan';
import { planTold } from '@/features/programme/plan-told';
import { fileName } from '@/features/shared/file-name';
import { coachRoute } from '@/features/shared/server';
import { flowOn } from '@/features/sheet/flow';
import { PAPERS, sheetQuery } from '@/features/sheet/paper';

/** A plan on a page, as a PDF to take along. */
export const GET = coachRoute(
  'assistant',
  async (asking, request, { params }: { params: Promise<{ id: string }> }) => {
    const id = z.uuid().safeParse((await params).id);
    const { paper } = sheetQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
    try {
      if (!id.success) throw new Problem('not-found', 'Plan not found.');
      const told = await planTold(asking, await loadPlan(id.data, false));
      const page = flowOn(PAPERS[paper], told.title);
      page.title(told.title, told.under);
      page.paragraph(told.time, true);
      for (const [index, { name, phase, rule, places, minutes, late }] of told.rows.entries()) {
        page.item(
          `${letterOf(index)}  ${name}, ${minutes}`,
          `(${late}) · ${phase}. ${rule} ${places}`,
        );
      }
      page.item('Bring', `${told.bring}, balls and a putter.`);
      if (told.cautions) page.item('Take care', told.cautions);
      return new Response(new Uint8Array(await page.end()), {
        headers: {
          'content-type': 'application/pdf',
          'content-disposition': `attachment; filename="${fileName(told.title, 'pdf')}"`,
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
