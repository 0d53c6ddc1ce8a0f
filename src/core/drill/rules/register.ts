import type { Rule } from '../rule';
import { cost } from './cost';
import { guess } from './guess';
import { ladder } from './ladder';
import type { Machine } from './machine';
import { open } from './open';
import { perfect } from './perfect';
import { points } from './points';
import { assessment, putts } from './putts';
import { quota } from './quota';
import { record } from './record';
import { row, zone } from './row';
import { sets } from './sets';
import { stations, tiers } from './stations';
import { timed } from './timed';

/** The machine of every rule. */
const MACHINES = {
  open,
  putts,
  quota,
  row,
  sets,
  stations,
  tiers,
  record,
  points,
  zone,
  perfect,
  ladder,
  cost,
  guess,
  timed,
  assessment,
} satisfies Record<Rule['type'], unknown>;

/** The machine of a rule; each takes just the numbers of its own kind, which the rule's schema has paired. */
export const machineOf = (rule: Rule): Machine<Rule, unknown> =>
  MACHINES[rule.type] as unknown as Machine<Rule, unknown>;
