import { pageTitle } from '@/words/title';
import { Shell } from '@/features/offline/shell';

export const generateMetadata = pageTitle('titles.savedOnThisDevice');

/** The page that works with no server; it holds nothing of anybody's by itself. */
export default function OfflinePage() {
  return <Shell />;
}
