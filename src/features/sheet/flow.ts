import 'server-only';
import PDFDocument from 'pdfkit';
import { fontFile } from './fonts';
import type { Paper } from './paper';

/** Margins, and the inks of paper. */
const EDGE = 42;
const INK = '#1a1f2c';
const PALE = '#5c6270';
const LINE = '#c23a22';

/** A ruler on paper: amounts in one unit, the middle is what was meant. */
export interface PaperRuler {
  name: string;
  window: { low: number; middle: number; high: number };
  bias: { low: number; middle: number; high: number };
  ends: { left: string; right: string };
  value: string;
  words: string;
}

/** A document of several pages that is written from the top. */
export interface Flow {
  title(text: string, under: string): void;
  heading(text: string): void;
  paragraph(text: string, pale?: boolean): void;
  /** What comes first is set bold before what follows. */
  item(first: string, rest: string): void;
  ruler(ruler: PaperRuler): void;
  table(rows: readonly (readonly string[])[], widths: readonly number[]): void;
  end(): Promise<Buffer>;
}

/**
 * A document that flows over pages of A4 or Letter.
 *
 * @param paper its page
 * @param title as the file says it
 */
export function flowOn(paper: Paper, title: string): Flow {
  const document = new PDFDocument({ size: paper.size, margin: EDGE, info: { Title: title } });
  for (const cut of ['regular', 'bold', 'narrow'] as const) {
    document.registerFont(cut, fontFile(cut));
  }
  const chunks: Buffer[] = [];
  document.on('data', (chunk: Buffer) => chunks.push(chunk));
  const width = document.page.width - 2 * EDGE;
  const room = (height: number) => {
    if (document.y + height > document.page.height - EDGE) document.addPage();
  };
  const text = (cut: 'regular' | 'bold' | 'narrow', size: number, color = INK) =>
    document.font(cut).fontSize(size).fillColor(color);
  const bar = (x: number, y: number, length: number, opacity: number) =>
    document.save().fillOpacity(opacity).rect(x, y, length, 11).fill(INK).restore();
  return {
    title: (said, under) => {
      text('bold', 22).text(said, EDGE, EDGE, { width });
      text('regular', 10.5, PALE).text(under, { width });
      document.moveDown(0.8);
    },
    heading: (said) => {
      room(60);
      document.moveDown(0.6);
      text('bold', 14).text(said, EDGE, document.y, { width });
      document.moveDown(0.25);
    },
    paragraph: (said, pale = false) => {
      room(30);
      text('regular', 10.5, pale ? PALE : INK).text(said, EDGE, document.y, { width });
      document.moveDown(0.35);
    },
    item: (first, rest) => {
      room(44);
      text('bold', 10.5).text(`${first} `, EDGE, document.y, { width, continued: true });
      text('regular', 10.5).text(rest, { width });
      document.moveDown(0.35);
    },
    ruler: ({ name, window, bias, ends, value, words }) => {
      room(56);
      const top = document.y;
      const [left, long] = [EDGE + 96, width - 96 - 170];
      const half = 1.15 * Math.max(window.high, Math.abs(bias.low), Math.abs(bias.high));
      const at = (amount: number) => left + long / 2 + (amount / half) * (long / 2);
      text('bold', 11).text(name, EDGE, top + 10, { width: 92 });
      bar(at(-window.high), top + 11, at(window.high) - at(-window.high), 0.16);
      bar(at(-window.low), top + 11, at(window.low) - at(-window.low), 0.6);
      document
        .moveTo(at(0), top + 5)
        .lineTo(at(0), top + 28)
        .lineWidth(1.2)
        .stroke(LINE);
      document
        .moveTo(at(bias.low), top + 16.5)
        .lineTo(at(bias.high), top + 16.5)
        .lineWidth(1)
        .stroke('#ffffff');
      document
        .circle(at(bias.middle), top + 16.5, 3.4)
        .lineWidth(1.6)
        .fillAndStroke('#ffffff', INK);
      text('narrow', 8.5, PALE).text(ends.left, left, top + 31, { width: long / 2 });
      text('narrow', 8.5, PALE).text(ends.right, left + long / 2, top + 31, {
        width: long / 2,
        align: 'right',
      });
      text('bold', 12).text(value, left + long + 12, top + 4, { width: 158 });
      text('regular', 8.5, PALE).text(words, left + long + 12, top + 20, { width: 158 });
      document.y = Math.max(document.y, top + 46);
    },
    table: (rows, widths) => {
      for (const [index, row] of rows.entries()) {
        room(18);
        const top = document.y;
        row.forEach((cell, column) => {
          const before = widths.slice(0, column).reduce((sum, one) => sum + one, 0);
          text(
            index === 0 ? 'narrow' : 'regular',
            index === 0 ? 9 : 10,
            index === 0 ? PALE : INK,
          ).text(cell, EDGE + before * width, top, { width: widths[column]! * width - 8 });
        });
        document.y = top + 16;
      }
      document.moveDown(0.3);
    },
    end: () =>
      new Promise((resolve, reject) => {
        document.on('end', () => resolve(Buffer.concat(chunks)));
        document.on('error', reject);
        document.end();
      }),
  };
}
