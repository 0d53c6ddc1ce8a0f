import { first } from './001-first';
import { greens } from './002-greens';
import { drills } from './003-drills';
import { sessions } from './004-sessions';
import { planning } from './005-planning';

export interface Migration {
  /** Number and name; migrations run in order of it and never change once shipped. */
  name: string;
  /** SQL, one statement each. */
  statements: string[];
}

/** All migrations, oldest first. */
export const MIGRATIONS: Migration[] = [first, greens, drills, sessions, planning];
