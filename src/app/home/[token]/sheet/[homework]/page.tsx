import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import '@fontsource/archivo/latin-400.css';
import '@fontsource/archivo/latin-700.css';
import '@fontsource/archivo-narrow/latin-400.css';
import { ArrowLeft } from 'lucide-react';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { listHomework } from '@/data';
import { openHome } from '@/features/home/server';
import { originOf } from '@/features/shared/origin';
import { printStyle } from '@/features/sheet/paper';
import { loadSheet } from '@/features/sheet/load';
import { PrintButton } from '@/features/students/print-button';

export const generateMetadata = pageTitle('titles.setupSheet', {
  robots: { index: false, follow: false },
});

export default async function HomeSheetPage({
  params,
}: PageProps<'/home/[token]/sheet/[homework]'>) {
  const t = await getTranslations();
  const { token, homework } = await params;
  const { database, principal, student, units } = await openHome(token);
  const work = (await listHomework(database, principal, student.id)).find(
    ({ id }) => id === homework,
  );
  if (!work) notFound();
  const origin = originOf((await headers()).get('host'));
  const { svg, paper } = await loadSheet(
    { database, principal, units, t },
    work.drillId,
    { student: student.id, paper: 'a4', ...(work.rung !== null && { rung: work.rung }) },
    origin,
    `/home/${token}`,
  );
  return (
    <main className="min-h-dvh bg-paper">
      <style>{printStyle(paper)}</style>
      <header className="flex items-center justify-between gap-3 border-b-[length:var(--stroke)] border-ink px-4 py-3 print:hidden">
        <a
          href={`/home/${token}`}
          className="inline-flex items-center gap-1.5 underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> {t('pages.homeSheetHomework.backToYourPage')}
        </a>
        <PrintButton />
      </header>
      <div className="mx-auto px-3 py-6 print:p-0" style={{ maxWidth: paper.width + 24 }}>
        <div
          className="border-[length:var(--stroke)] border-ink bg-white print:border-0 [&>svg]:h-auto [&>svg]:w-full"
          dangerouslySetInnerHTML={{ __html: svg }}
        />
      </div>
    </main>
  );
}
