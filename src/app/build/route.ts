import { connection } from 'next/server';
import { BUILD } from '@/features/shared/build';

/** Which build answers: a page of an older one reloads itself. */
export async function GET() {
  await connection();
  return new Response(BUILD, { headers: { 'cache-control': 'no-store' } });
}
