import { Problem, connection } from '@/data';
import { takeBegun } from '@/features/offline/take-begun';
import { askingCoach } from '@/features/shared/principal';

/** Takes a session that a coach's device began with no server. */
export async function POST(request: Request) {
  return takeBegun(request, async () => {
    const principal = await askingCoach();
    if (!principal)
      throw new Problem('refused', 'You are signed out on this device. Sign in again.');
    return { database: await connection(), principal };
  });
}
