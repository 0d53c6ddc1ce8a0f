import '@fontsource/archivo/latin-400.css';
import '@fontsource/archivo/latin-700.css';
import '@fontsource/archivo-narrow/latin-400.css';
import { ArrowLeft } from 'lucide-react';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { listHomework } from '@/data';
import { openHome } from '@/features/home/server';
import { originOf } from '@/features/shared/origin';
import { loadSheet } from '@/features/sheet/load';
import { PrintButton } from '@/features/students/print-button';

export const metadata: Metadata = {
  title: 'Set-up sheet',
  robots: { index: false, follow: false },
};

export default async function HomeSheetPage({
  params,
}: PageProps<'/home/[token]/sheet/[homework]'>) {
  const { token, homework } = await params;
  const { database, principal, student, units } = await openHome(token);
  const work = (await listHomework(database, principal, student.id)).find(
    ({ id }) => id === homework,
  );
  if (!work) notFound();
  const origin = originOf((await headers()).get('host'));
  const { svg, paper } = await loadSheet(
    { database, principal, units },
    work.drillId,
    { student: student.id, paper: 'a4', ...(work.rung !== null && { rung: work.rung }) },
    origin,
    `/home/${token}`,
  );
  return (
    <main className="min-h-dvh bg-paper">
      <style>{`@page{size:${paper.size};margin:0}@media print{main>div{max-width:none!important}}`}</style>
      <header className="flex items-center justify-between gap-3 border-b-[length:var(--stroke)] border-ink px-4 py-3 print:hidden">
        <a
          href={`/home/${token}`}
          className="inline-flex items-center gap-1.5 underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> Back to your page
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
