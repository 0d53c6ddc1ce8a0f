import type { Sequelize, Transaction } from 'sequelize';
import { first } from './001-first';
import { greens } from './002-greens';
import { drills } from './003-drills';
import { sessions } from './004-sessions';
import { planning } from './005-planning';
import { places } from './006-places';
import { academy } from './007-academy';
import { kept } from './008-kept';
import { revisions } from './009-revisions';
import { erasures } from './010-erasures';
import { measured } from './011-measured';
import { putters } from './012-putters';
import { words } from './013-words';
import { carpets } from './014-carpets';
import { groups } from './015-groups';

export interface Migration {
  /** Number and name; migrations run in order of it and never change once shipped. */
  name: string;
  /** SQL, one statement each. */
  statements: string[];
  /** What is to be reckoned once they have run, within the same transaction. */
  fill?(sequelize: Sequelize, transaction: Transaction): Promise<void>;
}

/** All migrations, oldest first. */
export const MIGRATIONS: Migration[] = [
  first,
  greens,
  drills,
  sessions,
  planning,
  places,
  academy,
  kept,
  revisions,
  erasures,
  measured,
  putters,
  words,
  carpets,
  groups,
];
