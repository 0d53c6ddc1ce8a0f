import type { Role } from '@/data';

/** What each role may do, as it is told where one is chosen. */
export const ROLE_WORDS: Record<Role, { name: string; may: string }> = {
  head: { name: 'Head coach', may: 'sees and changes everything, and who is in the academy' },
  coach: { name: 'Coach', may: 'own students, and those shared or handed over' },
  assistant: { name: 'Assistant', may: 'logs putts of students shared; sees no notes' },
};
