import type { Metadata } from 'next';
import { Shell } from '@/features/offline/shell';

export const metadata: Metadata = { title: 'Saved on this device' };

/** The page that works with no server; it holds nothing of anybody's by itself. */
export default function OfflinePage() {
  return <Shell />;
}
