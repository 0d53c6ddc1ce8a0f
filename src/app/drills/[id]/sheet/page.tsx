import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import '@fontsource/archivo/latin-400.css';
import '@fontsource/archivo/latin-700.css';
import '@fontsource/archivo-narrow/latin-400.css';
import { headers } from 'next/headers';
import { originOf } from '@/features/shared/origin';
import { coachContext, orNotFound } from '@/features/shared/server';
import { loadSheet } from '@/features/sheet/load';
import { printStyle, sheetQuery } from '@/features/sheet/paper';
import { SheetBar } from '@/features/sheet/sheet-bar';

export const generateMetadata = pageTitle('titles.setupSheet');

export default async function SheetPage({ params, searchParams }: PageProps<'/drills/[id]/sheet'>) {
  const t = await getTranslations();
  const { id } = await params;
  const query = sheetQuery.parse(await searchParams);
  const asking = await coachContext();
  const origin = originOf((await headers()).get('host'));
  const { svg, paper, input, students, rungs } = await orNotFound(
    loadSheet({ ...asking, t }, id, query, origin),
  );
  return (
    <main className="min-h-dvh bg-paper">
      <style>{printStyle(paper)}</style>
      <SheetBar id={id} name={input.name} query={query} students={students} rungs={rungs} />
      <div className="mx-auto px-3 py-6 print:p-0" style={{ maxWidth: paper.width + 24 }}>
        <div
          className="border-[length:var(--stroke)] border-ink bg-white print:border-0 [&>svg]:h-auto [&>svg]:w-full"
          dangerouslySetInnerHTML={{ __html: svg }}
        />
      </div>
    </main>
  );
}
