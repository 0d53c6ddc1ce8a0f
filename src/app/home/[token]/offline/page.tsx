import { pageTitle } from '@/words/title';
import { Shell } from '@/features/offline/shell';
import { openHome } from '@/features/home/server';

export const generateMetadata = pageTitle('titles.homework', {
  robots: { index: false, follow: false },
});

/** A student's own page that works with no server. */
export default async function HomeOfflinePage({ params }: PageProps<'/home/[token]/offline'>) {
  const { token } = await params;
  await openHome(token);
  return <Shell home={token} />;
}
