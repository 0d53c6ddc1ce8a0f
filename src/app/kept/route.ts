import { reckon } from '@/features/reckoning/pool';
import { coachRoute } from '@/features/shared/server';

/** What a coach's device keeps to work with no server. */
export const GET = coachRoute('assistant', async ({ principal }) =>
  Response.json(await reckon('kept', principal, undefined), {
    headers: { 'cache-control': 'no-store' },
  }),
);
