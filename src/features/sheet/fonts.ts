import 'server-only';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Cut } from './wrap';

const FILES: Record<Cut, { family: string; weight: number; file: string }> = {
  regular: { family: 'Archivo', weight: 400, file: 'archivo/files/archivo-latin-400-normal' },
  bold: { family: 'Archivo', weight: 700, file: 'archivo/files/archivo-latin-700-normal' },
  narrow: {
    family: 'Archivo Narrow',
    weight: 400,
    file: 'archivo-narrow/files/archivo-narrow-latin-400-normal',
  },
};

const pathOf = (cut: Cut, ending: 'woff' | 'woff2'): string =>
  join(process.cwd(), 'node_modules', '@fontsource', `${FILES[cut].file}.${ending}`);

/** The file of a cut that a PDF is set with. */
export const fontFile = (cut: Cut): string => pathOf(cut, 'woff');

/** The cut that a family and weight of the sheet mean. */
export const cutOf = (family: string, bold: boolean): Cut =>
  /narrow/i.test(family) ? 'narrow' : bold ? 'bold' : 'regular';

/** The sheet's type inside a file that travels alone. */
export function fontStyle(): string {
  return (Object.keys(FILES) as Cut[])
    .map((cut) => {
      const { family, weight } = FILES[cut];
      const data = readFileSync(pathOf(cut, 'woff2')).toString('base64');
      return `@font-face{font-family:"${family}";font-weight:${weight};src:url(data:font/woff2;base64,${data}) format("woff2")}`;
    })
    .join('');
}
