import { z } from 'zod';
import { drillDetails, ruleSchema, runMarkSchema } from '@/core/drill';
import { layoutSchema, outcomesSchema, pointsSchema } from '@/core/layout';
import { coachSettings } from '@/core/people';
import { photoSchema, planSchema } from '@/core/planning';
import { ROLES } from './principal';
import { Problem } from './problem';

/** A row as it is stored. */
export type StoredRow = Record<string, string | number | null>;

/** Text that holds JSON of a kind. */
const json = (schema: z.ZodType) =>
  z
    .string()
    .transform((text, context): unknown => {
      try {
        return JSON.parse(text);
      } catch {
        context.addIssue('This is not JSON.');
        return z.NEVER;
      }
    })
    .pipe(schema);

const anyJson = json(z.unknown());
const time = z.string().refine((text) => !Number.isNaN(Date.parse(text)), 'This is not a time.');

/** What must be right in a row for the screens to open: by table, the columns that are parsed when they are read. */
const ROWS: Record<string, z.ZodType> = {
  coach: z.object({ name: z.string(), settings: json(coachSettings), role: z.enum(ROLES) }),
  student: z.object({ name: z.string().min(1), kit: anyJson }),
  drillVersion: z.object({ layout: json(layoutSchema), details: json(drillDetails) }),
  session: z.object({ startedAt: time, finishedAt: time.nullable() }),
  run: z.object({ layout: json(layoutSchema), rule: json(ruleSchema).nullable() }),
  putt: z.object({ outcomes: json(outcomesSchema), points: json(pointsSchema), at: time }),
  runMark: z.object({ mark: json(runMarkSchema), at: time }),
  homeworkWord: z.object({ text: z.string(), photo: photoSchema.nullable() }),
  plan: z.object({ details: json(planSchema) }),
  programme: z.object({ details: anyJson, needs: anyJson }),
};

/**
 * Checks a row of a full export before it is written.
 *
 * @param line of the file, for the message
 * @throws Problem naming the line, the table and the column that cannot be right
 */
export function checkRow(table: string, row: StoredRow, line: number): void {
  const parsed = ROWS[table]?.safeParse(row);
  if (!parsed || parsed.success) return;
  const [issue] = parsed.error.issues;
  throw new Problem(
    'invalid',
    `Line ${line}: ${table}, ${issue!.path.join('.') || 'row'}: ${issue!.message}`,
  );
}

/** Whether a row is a head coach who has not left: an academy needs one. */
export const isHead = (table: string, row: StoredRow): boolean =>
  table === 'coach' && row.role === 'head' && (row.archivedAt ?? null) === null;

/** @throws Problem for a full export in which nobody runs the academy */
export function checkHead(heads: number): void {
  if (heads > 0) return;
  throw new Problem('invalid', 'This full export has no head coach, so nobody could open it.');
}
