import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';

/** Texts of a source file that a reader can come to see: strings, templates and what stands between tags; no comments, no imports. */
function textsOf(file: string): { text: string; line: number }[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found: { text: string; line: number }[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (
      ts.isStringLiteralLike(node) ||
      ts.isJsxText(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node)
    ) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({ text: node.text.replaceAll(/\s+/g, ' '), line: line + 1 });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Names of training aids and columns in files, which were kept. */
const KEPT = new Set(['taken back', 'chest rod', 'grip rod', 'arm rods']);

/** Words that were given up, and what is said in their place. */
const GIVEN_UP: [RegExp, string][] = [
  [/(?<!interval )\bwith 80 %(?! interval)/, 'its 80 % interval'],
  [/\bnine in ten (within|done)|\b9 in 10 by\b/, '90 % chance of finishing within'],
  [/^Done in /, 'Completed in'],
  [/(?<!\{)\bair\b/i, 'clearance'],
  [/\bgrip end\b/i, 'butt end'],
  [/\bheld off\b/, 'holding off the release'],
  [/so far as can be told/, 'no clear difference'],
  [/\bbody aid\b/i, 'training aid'],
  [/lofted club/, 'wedge'],
  [/\blook-up\b|\bpoked\b|teaches despair/, 'looking up, jabbed, is discouraging'],
  [/Not now:/, 'Avoid for now:'],
  [/at the strike\b/, 'at impact'],
  [/overhead rod|tee shank|middle of the face/, 'alignment stick, tee width, centre of the face'],
  [/Reckoning…|\banew\b/, 'Calculating…, again'],
  [/\bclocks of\b/, 'times of'],
  [/\bat hand\b/i, 'available'],
  [/\bbody aids\b|Coach’s eye|nobody in particular/, 'training aid, coach’s check, no one'],
  [/what is left of the hole|start line pin/, 'usable hole width, aim marker'],
  [/\bof the last time\b/, 'last time'],
  [/\brods?\b/i, 'alignment stick, stick'],
  [/\bthrough-stroke\b/, 'follow-through'],
  [/\bbelieve in\b/, 'preferred stroke'],
  [/\breckon/i, 'calculate'],
  [/putted through|\bgoings\b/i, 'played, attempts'],
  [/\bas built\b|\bas it stands\b/i, 'as measured'],
  [/\bstand-in\b/i, 'simulated instrument'],
  [/whole book/i, 'full export'],
  [/\bof today\b/i, 'today’s'],
  [/\bit is [a-z0-9 ]+ that \w/i, 'subject, verb, object'],
  [/\bthe (finder|palette)\b/i, 'search'],
  [/\btold by\b|\bis told\b/i, 'judged by, shown'],
  [/\bclears\b/, 'goes through'],
  [/put away|\btaken back\b|\btake back\b/i, 'archived, undone, undo'],
  [/\bbegun\b/i, 'started'],
  [/at most \d+ letters/, 'at most … characters'],
  [/\b(no|not|never|nothing) (\w+ ){0,5}(nothing|nobody|never)\b/i, 'one negation'],
  [/\ba signal\b/i, 'online, offline'],
  [/is allowed\.|(?<!there )\bis no [a-z]+[:.]/i, 'use … to …, is not a …'],
];

const FILES = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
  .map((file) => `src/${file}`);

test('no screen says a word that was given up', () => {
  expect(FILES.length).toBeGreaterThan(300);
  const said = FILES.flatMap((file) =>
    textsOf(file).flatMap(({ text, line }) =>
      GIVEN_UP.flatMap(([word, better]) =>
        word.test(text.replaceAll(/`[^`]*`/g, '')) && text.includes(' ') && !KEPT.has(text)
          ? [`${file}:${line}: “${text.trim()}”: say ${better}`]
          : [],
      ),
    ),
  );
  expect(said).toEqual([]);
});
