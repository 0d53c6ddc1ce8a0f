import 'server-only';
import { z } from 'zod';
import { connection, lastBookChange } from '@/data';

const asked = z.coerce.number().int();

/** Whether a device has all that was changed since, by the number that it asks with. */
export async function hasNewest(request: Request): Promise<boolean> {
  const unless = asked.safeParse(new URL(request.url).searchParams.get('unless') ?? undefined);
  return unless.success && unless.data === (await lastBookChange(await connection()));
}
