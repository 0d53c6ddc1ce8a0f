import type { Metadata } from 'next';
import { Shell } from '@/features/offline/shell';
import { openHome } from '@/features/home/server';

export const metadata: Metadata = { title: 'Homework', robots: { index: false, follow: false } };

/** A student's own page that works with no server. */
export default async function HomeOfflinePage({ params }: PageProps<'/home/[token]/offline'>) {
  const { token } = await params;
  await openHome(token);
  return <Shell home={token} />;
}
