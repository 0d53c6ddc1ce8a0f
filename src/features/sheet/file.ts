import { getTranslations } from 'next-intl/server';
import 'server-only';
import { Problem, getCoach } from '@/data';
import { fileName } from '../shared/file-name';
import { originOf } from '../shared/origin';
import { coachRoute } from '../shared/server';
import { fontStyle } from './fonts';
import { loadSheet } from './load';
import { sheetQuery } from './paper';
import { pdfOf } from './pdf';

type Params = { params: Promise<{ id: string }> };

/** A route that answers with a set-up sheet as a file to keep or to send. */
export const sheetFile = (kind: 'pdf' | 'svg') =>
  coachRoute('assistant', async ({ database, principal }, request, { params }: Params) => {
    const { units } = (await getCoach(database, principal)).settings;
    const t = await getTranslations();
    return answer({ database, principal, units, t }, request, (await params).id, kind);
  });

async function answer(
  asking: Parameters<typeof loadSheet>[0],
  request: Request,
  id: string,
  kind: 'pdf' | 'svg',
): Promise<Response> {
  const url = new URL(request.url);
  const query = sheetQuery.parse(Object.fromEntries(url.searchParams));
  try {
    const { svg, paper, input } = await loadSheet(
      asking,
      id,
      query,
      originOf(request.headers.get('host')),
    );
    const whom = input.student ? `, ${input.student.name}` : '';
    const name = fileName(`${input.name}${whom}`, kind);
    const headers = { 'content-disposition': `attachment; filename="${name}"` };
    if (kind === 'pdf') {
      const pdf = await pdfOf(svg, paper, input.name);
      return new Response(new Uint8Array(pdf), {
        headers: { ...headers, 'content-type': 'application/pdf' },
      });
    }
    const alone = svg.replace('>', `><style>${fontStyle()}</style>`);
    return new Response(alone, { headers: { ...headers, 'content-type': 'image/svg+xml' } });
  } catch (error) {
    if (error instanceof Problem && error.code === 'not-found') {
      return new Response(error.message, { status: 404 });
    }
    throw error;
  }
}
