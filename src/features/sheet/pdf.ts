import 'server-only';
import PDFDocument from 'pdfkit';
import SVGtoPDF from 'svg-to-pdfkit';
import { cutOf, fontFile } from './fonts';
import type { Paper } from './paper';
import type { Cut, Measure } from './wrap';

const CUTS: Cut[] = ['regular', 'bold', 'narrow'];

function documentOn(paper: Paper, title: string) {
  const document = new PDFDocument({ size: paper.size, margin: 0, info: { Title: title } });
  for (const cut of CUTS) document.registerFont(cut, fontFile(cut));
  return document;
}

/** How wide the sheet's type is set, by the same fonts that print it. */
export function measureBy(paper: Paper): Measure {
  const document = documentOn(paper, 'measure');
  return (text, size, cut) => document.font(cut).fontSize(size).widthOfString(text);
}

/** A sheet as a PDF of one page. */
export function pdfOf(svg: string, paper: Paper, title: string): Promise<Buffer> {
  const document = documentOn(paper, title);
  const chunks: Buffer[] = [];
  return new Promise((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
    SVGtoPDF(document, svg, 0, 0, {
      width: document.page.width,
      height: document.page.height,
      preserveAspectRatio: 'xMidYMin meet',
      fontCallback: (family, bold) => cutOf(family, bold),
    });
    document.end();
  });
}
