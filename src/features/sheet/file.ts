import 'server-only';
import { Problem } from '@/data';
import { fileName } from '../shared/file-name';
import { fontStyle } from './fonts';
import { loadSheet } from './load';
import { sheetQuery } from './paper';
import { pdfOf } from './pdf';

/** A set-up sheet as a file to keep or to send. */
export async function sheetFile(
  request: Request,
  params: Promise<{ id: string }>,
  kind: 'pdf' | 'svg',
): Promise<Response> {
  const { id } = await params;
  const url = new URL(request.url);
  const query = sheetQuery.parse(Object.fromEntries(url.searchParams));
  try {
    const { svg, paper, input } = await loadSheet(
      id,
      query,
      `http://${request.headers.get('host')}`,
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
