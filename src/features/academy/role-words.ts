import type { Role } from '@/data';

/** What each role may do, as it is told where one is chosen. */
export const ROLE_WORDS: Record<Role, { name: string; may: string }> = {
  head: {
    name: 'Head coach',
    may: 'sees and changes everything, and decides who is in the academy',
  },
  coach: { name: 'Coach', may: 'sees own students, and those shared with or handed over to them' },
  assistant: { name: 'Assistant', may: 'logs putts of shared students, and does not see notes' },
};
