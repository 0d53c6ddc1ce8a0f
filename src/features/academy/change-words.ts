import { format } from '@/ui/when';
import type { ChangeTold } from '@/data';

/** What the columns of a thing are called on the screen; one that is not here is the program's own. */
const COLUMNS: Record<string, string> = {
  name: 'name',
  hand: 'hand',
  level: 'level',
  seated: 'seated',
  notes: 'notes',
  school: 'preferred stroke',
  kit: 'available',
  headLength: 'putter head, heel to toe',
  headDepth: 'putter head, front to back',
  lieAngle: 'lie angle',
  note: 'note',
  day: 'day',
  time: 'time',
  minutes: 'minutes',
  kind: 'kind',
  state: 'state',
  details: 'contents',
  layout: 'layout as measured',
  finishedAt: 'finished',
  coachId: 'coach',
  greenSpeed: 'green speed',
  role: 'role',
  settings: 'settings',
};

/** Values that say enough in a word, and are nobody's own words. */
const PLAIN = new Set(['hand', 'level', 'day', 'time', 'minutes', 'kind', 'state', 'name', 'role']);

/** What a change did, in a line: which parts, and for plain ones from what to what. */
export function partsOf({ rows }: ChangeTold): string {
  const parts = rows.flatMap(({ kind, before, after }) =>
    kind === 'changed'
      ? Object.keys(after ?? {}).flatMap((column) => {
          const words = COLUMNS[column];
          if (!words) return [];
          const [was, is] = [before?.[column], after?.[column]];
          return PLAIN.has(column) && was !== null && is !== null
            ? [`${words}: ${String(was)} → ${String(is)}`]
            : [words];
        })
      : [],
  );
  return [...new Set(parts)].join('; ');
}

/** When and by whom, in a line. */
export const byWords = ({ at, by, device }: ChangeTold): string =>
  [format(at, 'd MMMM, HH:mm'), by || 'unnamed coach', device].filter(Boolean).join(' · ');
