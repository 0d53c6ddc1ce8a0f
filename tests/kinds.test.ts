import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ELEMENTS, type ElementKind } from '@/core/layout';

/** Where kinds are named: each in its own file, in the register, and in layouts that are data. */
const NAMED = [
  /^src\/core\/layout\/register\.ts$/,
  /^src\/core\/layout\/ball-gate-layout\.ts$/,
  /^src\/core\/drill\/library\//,
  /^src\/data\/demo\//,
];

const files = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .map((file) => join('src', file))
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file));

/** Lines that ask for a kind, or make one, by its name. */
const asks = (kind: string, text: string): string[] =>
  text
    .split('\n')
    .filter(
      (line) =>
        new RegExp(`\\b(kind|ELEMENTS)\\b`).test(line) &&
        new RegExp(`(['"\`]${kind}['"\`]|ELEMENTS\\.${kind}\\b)`).test(line),
    );

const own = (kind: ElementKind): string =>
  `src/core/layout/${kind.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}.ts`;

describe('elements', () => {
  it.each(Object.keys(ELEMENTS) as ElementKind[])(
    '%s is known to its own file and the register alone',
    (kind) => {
      expect(files).toContain(own(kind));
      const knowing = files
        .filter((file) => file !== own(kind) && !NAMED.some((one) => one.test(file)))
        .flatMap((file) =>
          asks(kind, readFileSync(file, 'utf8')).map((line) => `${file}: ${line}`),
        );
      expect(knowing).toEqual([]);
    },
  );

  it('would be found out', () => {
    expect(asks('hole', "  if (piece.kind === 'hole') return;")).toHaveLength(1);
    expect(asks('hole', "  .filter(({ kind }) => ['hole', 'line'].includes(kind))")).toHaveLength(
      1,
    );
    expect(asks('hole', 'ELEMENTS.hole.defaults(putt)')).toHaveLength(1);
    expect(asks('hole', "counting(layout, 'hole')")).toEqual([]);
  });
});
