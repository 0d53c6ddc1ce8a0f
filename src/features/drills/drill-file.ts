import type { Translate } from '@/words/translate';
import { findNodeAtLocation, parseTree, printParseErrorCode, type ParseError } from 'jsonc-parser';
import { z } from 'zod';
import { drillSchema, type DrillValues } from '@/core/drill';

/** Said in every file, so that another kind of file is known for what it is. */
const KIND = 'dirigo-drill';
export const MOST_LETTERS = 200_000;

const head = z.object({ kind: z.literal(KIND), version: z.literal(1) });
const fileSchema = drillSchema.extend(head.shape);

/** The published schema of a drill's file, made from the one that reads it. */
export const drillFileSchema = (t: Translate): object => ({
  title: t('drills.drillFile.dirigoDrill'),
  ...z.toJSONSchema(fileSchema, { io: 'input' }),
});

/** A drill as a file. */
export const writeDrillFile = ({ name, ...drill }: DrillValues): string =>
  `${JSON.stringify({ kind: KIND, version: 1, name, ...drill }, null, 2)}\n`;

/** Line and column of a place in a text, both from 1. */
function placeOf(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n');
  return `line ${before.length}, column ${before.at(-1)!.length + 1}`;
}

/**
 * Reads a drill's file.
 *
 * @param text the whole file
 * @returns the drill, or a sentence that says what is wrong and where in the file
 */
export function readDrillFile(
  text: string,
): { ok: true; drill: DrillValues } | { ok: false; message: string } {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { disallowComments: true });
  const [broken] = errors;
  if (broken || !tree) {
    const why = broken ? printParseErrorCode(broken.error) : 'ValueExpected';
    const plain = why.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
    return {
      ok: false,
      message: `This file is not valid JSON: ${plain} at ${placeOf(text, broken?.offset ?? 0)}.`,
    };
  }
  const json: unknown = JSON.parse(text);
  // What kind of file it is comes first: of another kind nothing else need be said.
  const begun = head.safeParse(json);
  const parsed = fileSchema.safeParse(json);
  if (parsed.success) {
    const { kind: _kind, version: _version, ...drill } = parsed.data;
    return { ok: true, drill };
  }
  const issue = (begun.error ?? parsed.error).issues[0]!;
  const path = issue.path.map((key) => (typeof key === 'symbol' ? String(key) : key));
  // Where a thing is missing, the place is that of what should hold it.
  const known = path.map((_, index) => path.slice(0, path.length - index));
  const node =
    known.map((some) => findNodeAtLocation(tree, some)).find((found) => found !== undefined) ??
    tree;
  return {
    ok: false,
    message: `${path.join('.') || 'The file'}: ${issue.message} (${placeOf(text, node.offset)}).`,
  };
}
