import { z } from 'zod';

/** A page in CSS pixels, 96 to the inch. */
export interface Paper {
  id: 'a4' | 'letter';
  name: string;
  width: number;
  height: number;
  /** As style sheets and PDF call it. */
  size: 'A4' | 'LETTER';
}

export const PAPERS: Record<Paper['id'], Paper> = {
  a4: { id: 'a4', name: 'A4', width: 794, height: 1123, size: 'A4' },
  letter: { id: 'letter', name: 'Letter', width: 816, height: 1056, size: 'LETTER' },
};

/** What a sheet's address asks for. */
export const sheetQuery = z.object({
  student: z.uuid().optional().catch(undefined),
  paper: z.enum(['a4', 'letter']).catch('a4'),
  rung: z.coerce.number().int().min(0).max(20).optional().catch(undefined),
});

export type SheetQuery = z.infer<typeof sheetQuery>;

/** The style that prints a sheet alone on its paper. */
export const printStyle = (paper: Paper): string =>
  `@page{size:${paper.size};margin:0}@media print{main>div{max-width:none!important}}`;
