import { v4 } from 'uuid';
import type { Chance } from '@/core/simulate';

/** Ids that are the same for the same chance. */
export const idsOf =
  ({ uniform }: Chance) =>
  (): string =>
    v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(uniform() * 256)) });
