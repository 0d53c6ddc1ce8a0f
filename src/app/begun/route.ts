import { getTranslations } from 'next-intl/server';
import { Problem, connection } from '@/data';
import { takeBegun } from '@/features/offline/take-begun';
import { askingCoach } from '@/features/shared/principal';

/** Takes a session that a coach's device began with no server. */
export async function POST(request: Request) {
  const t = await getTranslations();
  return takeBegun(t, request, async () => {
    const principal = await askingCoach();
    if (!principal) throw new Problem('refused', t('pages.begunRoute.youAreSignedOutOn'));
    return { database: await connection(), principal };
  });
}
