/** @jest-environment node */
import { spawnSync } from 'node:child_process';

/** Pieces of code that must not pass, and a word of why. */
const REFUSED: [file: string, code: string, words: string][] = [
  [
    'src/core/green/x.ts',
    "import { Button } from '@/ui/button';\nexport const x = Button;",
    'core may not import ui',
  ],
  [
    'src/core/green/x.ts',
    "import { counted } from '../../data';\nexport const x = counted;",
    'core may not import data',
  ],
  [
    'src/core/green/x.ts',
    "import { useState } from 'react';\nexport const x = useState;",
    'no interface code',
  ],
  ['src/core/green/x.ts', "import { Op } from 'sequelize';\nexport const x = Op;", 'no database'],
  ['src/core/green/x.ts', 'export const x = () => Math.random();', 'seeded random'],
  ['src/core/green/x.ts', 'export const x = () => new Date();', 'pass a date'],
  [
    'src/core/green/x.ts',
    "import { fit } from '@/core/units/angles';\nexport const x = fit;",
    'one public face',
  ],
  [
    'src/ui/x.ts',
    "import { counted } from '@/data';\nexport const x = counted;",
    'ui may not import data',
  ],
  [
    'src/data/x.ts',
    "import { act } from '@/features/shared/action';\nexport const x = act;",
    'data may not import features',
  ],
  [
    'src/features/drills/x.ts',
    "import Page from '@/app/error';\nexport const x = Page;",
    'features may not import app',
  ],
];

const TAKEN: [file: string, code: string][] = [
  ['src/core/scoring/x.ts', "import { DEGREE } from '@/core/units';\nexport const x = DEGREE;\n"],
  ['src/features/drills/x.ts', "import { counted } from '@/data';\nexport const x = counted;\n"],
];

/** Lints pieces of code as if each stood in a file, in one process of its own: ESLint's configuration is an ES module. */
function lint(pieces: [file: string, code: string][]): string[][] {
  const program = `
    import { ESLint } from 'eslint';
    const eslint = new ESLint();
    const told = [];
    for (const [filePath, code] of JSON.parse(process.argv[1])) {
      const [result] = await eslint.lintText(code, { filePath });
      told.push(result.messages.map(({ message }) => message));
    }
    console.log(JSON.stringify(told));
  `;
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--input-type=module', '--eval', program, JSON.stringify(pieces)],
    { encoding: 'utf8' },
  );
  const last = stdout.trim().split('\n').at(-1);
  if (!last) throw new Error(stderr);
  return JSON.parse(last) as string[][];
}

describe('the floors', () => {
  let told: string[][] = [];
  beforeAll(() => {
    told = lint([...REFUSED.map(([file, code]): [string, string] => [file, code]), ...TAKEN]);
  });

  it.each(REFUSED.map((one, i) => [...one, i] as const))(
    '%s: %p fails lint',
    (_file, _code, words, i) => expect(told[i]!.join(' ')).toContain(words),
  );

  it.each(TAKEN.map(([file], i) => [file, i] as const))('%s may import downwards', (_file, i) =>
    expect(told[REFUSED.length + i]).toEqual([]),
  );
});
