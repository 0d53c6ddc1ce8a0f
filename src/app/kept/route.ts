import { hasNewest } from '@/features/offline/unless';
import { reckon } from '@/features/reckoning/pool';
import { coachRoute } from '@/features/shared/server';

/** What a coach's device keeps to work with no server; nothing where it has the newest. */
export const GET = coachRoute('assistant', async ({ principal }, request) =>
  (await hasNewest(request))
    ? new Response(null, { status: 204 })
    : Response.json(await reckon('kept', principal, undefined), {
        headers: { 'cache-control': 'no-store' },
      }),
);
