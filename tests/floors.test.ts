/** @jest-environment node */
import { spawnSync } from 'node:child_process';

/** Lints a piece of code as if it stood in a file, in a process of its own: ESLint's configuration is an ES module. */
function lint(file: string, code: string): string[] {
  const { stdout, stderr } = spawnSync(
    'npx',
    ['eslint', '--stdin', '--stdin-filename', file, '--format', 'json'],
    { input: code, encoding: 'utf8' },
  );
  const start = stdout.indexOf('[');
  if (start < 0) throw new Error(stderr);
  const [result] = JSON.parse(stdout.slice(start)) as { messages: { message: string }[] }[];
  return (result?.messages ?? []).map(({ message }) => message);
}

describe('the floors', () => {
  it.each([
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
  ])('%s: %p fails lint', (file, code, words) => {
    expect(lint(file, code).join(' ')).toContain(words);
  });

  it.each([
    ['src/core/scoring/x.ts', "import { DEGREE } from '@/core/units';\nexport const x = DEGREE;\n"],
    ['src/features/drills/x.ts', "import { counted } from '@/data';\nexport const x = counted;\n"],
  ])('%s may import downwards', (file, code) => expect(lint(file, code)).toEqual([]));
});
