import { TYPE, parse, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { english } from '@/words/english';
import { LANGUAGES, PSEUDO, languageOf } from '@/words/language';
import { pseudoMessage } from '@/words/pseudo';

const SRC = join(import.meta.dirname, '../src');
const files = readdirSync(SRC, { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/.test(name))
  .map((name) => join(SRC, name));
const textOf = new Map(files.map((file) => [file, readFileSync(file, 'utf8')]));

function flat(messages: object, before = ''): [key: string, message: string][] {
  return Object.entries(messages).flatMap(([name, value]): [string, string][] =>
    typeof value === 'string' ? [[before + name, value]] : flat(value, `${before}${name}.`),
  );
}
const messages = flat(english);

test('every message is used', () => {
  const code = [...textOf.values()].join('\n');
  const keys = new Set(code.match(/(?<=['"`])\w+(\.\w+){1,2}(?=['"`])/g));
  const families = code.match(/(?<=`)\w+(\.\w+)*\.(?=\$\{)/g) ?? [];
  const unused = messages.filter(
    ([key]) => !keys.has(key) && !families.some((family) => key.startsWith(family)),
  );
  expect(unused).toEqual([]);
});

/** The files that a file imports, without those of packages. */
function importsOf(file: string): string[] {
  const text = textOf.get(file)!;
  const named = text.matchAll(/(?:import|export)\s+(?!type\b)(?:[^'";]*?from\s+)?'([^']+)'/g);
  const later = text.matchAll(/import\(\s*'([^']+)'/g);
  return [...named, ...later].flatMap(([, to]) => {
    const at = to!.startsWith('@/')
      ? join(SRC, to!.slice(2))
      : to!.startsWith('.')
        ? join(dirname(file), to!)
        : null;
    if (!at) return [];
    return ['', '.ts', '.tsx', '/index.ts', '/index.tsx']
      .map((end) => at + end)
      .filter((path) => textOf.has(path) && statSync(path).isFile());
  });
}

/** The "feature.screen" parts whose messages the browser needs for a page or a layout. */
function neededBy(root: string): Set<string> {
  const needed = new Set<string>();
  const seen = new Set<string>();
  const visit = (file: string, inBrowser: boolean) => {
    const text = textOf.get(file)!;
    if (/^'use server'/.test(text)) return;
    const browser = inBrowser || /^'use client'/.test(text);
    if (seen.has(file + browser)) return;
    seen.add(file + browser);
    if (browser) {
      for (const [, part] of text.matchAll(/['`](\w+\.\w+)\.[\w$]/g)) {
        if (messages.some(([key]) => key.startsWith(`${part}.`))) needed.add(part!);
      }
    }
    for (const to of importsOf(file)) visit(to, browser);
  };
  visit(root, false);
  return needed;
}

/** The parts that a page or a layout itself sends to the browser. */
function sentBy(file: string): string[] {
  const text = textOf.get(file) ?? '';
  const lists = [
    ...text.matchAll(/layoutWith\(([^)]*)\)/g),
    ...text.matchAll(/<ClientMessages of=\{\[([^\]]*)\]/g),
    ...text.matchAll(/EVERYWHERE = \[([^\]]*)\]/g),
  ];
  return lists.flatMap(([, list]) => [...list!.matchAll(/'([\w.]+)'/g)].map(([, part]) => part!));
}

const covers = (sent: readonly string[], part: string) =>
  sent.some((one) => one === part || part.startsWith(`${one}.`));

const APP = join(SRC, 'app');
const routes = files.filter((file) => /\/(page|layout|error|not-found)\.tsx$/.test(file));
const above = (file: string): string[] => {
  const folders = [];
  for (let at = dirname(file); at.startsWith(APP); at = dirname(at)) folders.push(at);
  return folders.map((folder) => join(folder, 'layout.tsx')).filter((layout) => layout !== file);
};

test.each(routes.map((file) => [file.slice(APP.length), file]))(
  '%s is sent every message that it needs in the browser',
  (_, file) => {
    const sent = [file, ...above(file)].flatMap(sentBy);
    expect([...neededBy(file)].filter((part) => !covers(sent, part))).toEqual([]);
  },
);

test('no layout sends messages that none of its pages needs', () => {
  const unneeded = routes.flatMap((file) => {
    const inside = routes.filter(
      (one) => one === file || (/layout\.tsx$/.test(file) && one.startsWith(dirname(file) + '/')),
    );
    const needed = new Set(inside.flatMap((one) => [...neededBy(one)]));
    return sentBy(file)
      .filter((part) => ![...needed].some((need) => covers([part], need)))
      .map((part) => `${file.slice(APP.length)}: ${part}`);
  });
  expect(unneeded).toEqual([]);
});

/** The names of all values and tags in a message, sorted. */
function valuesOf(elements: MessageFormatElement[]): string[] {
  const names = elements.flatMap((element): string[] => {
    if (element.type === TYPE.literal || element.type === TYPE.pound) return [];
    if (element.type === TYPE.tag) return [element.value, ...valuesOf(element.children)];
    if (element.type !== TYPE.select && element.type !== TYPE.plural) return [element.value];
    return [
      element.value,
      ...Object.values(element.options).flatMap(({ value }) => valuesOf(value)),
    ];
  });
  return [...new Set(names)].sort();
}

test('every message keeps its values in the pseudo-language', () => {
  for (const [key, message] of messages) {
    expect([key, valuesOf(parse(pseudoMessage(message)))]).toEqual([key, valuesOf(parse(message))]);
  }
});

test('a text grows by two fifths in the pseudo-language, and its values stay', () => {
  expect(pseudoMessage('Save drill')).toBe('Sâvé·· drîll··');
  expect(pseudoMessage('{count, plural, one {1 putt} other {{count} putts}}')).toBe(
    '{count,plural,one{1 pûtt··} other{{count} pûttš··}}',
  );
});

test.each<[string, string | undefined, string | null, string]>([
  ['en', undefined, 'fr-FR,fr;q=0.9', 'the first language where none is known'],
  ['en', 'xx', null, 'a cookie that names no language counts for nothing'],
  [PSEUDO, PSEUDO, 'en', 'the person’s own choice comes first'],
  ['en', undefined, 'fr, en-GB;q=0.8', 'the first that is accepted'],
])('%s for cookie %j and browser %j: %s', (language, cookie, accepted) => {
  expect(languageOf(cookie, accepted)).toBe(language);
  expect(LANGUAGES).toContain('en');
});
