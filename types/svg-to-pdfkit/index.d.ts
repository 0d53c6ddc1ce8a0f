declare module 'svg-to-pdfkit' {
  import type PDFDocument from 'pdfkit';

  interface Options {
    width?: number;
    height?: number;
    preserveAspectRatio?: string;
    assumePt?: boolean;
    fontCallback?: (family: string, bold: boolean, italic: boolean) => string;
    warningCallback?: (message: string) => void;
  }

  export default function SVGtoPDF(
    document: InstanceType<typeof PDFDocument>,
    svg: string,
    x?: number,
    y?: number,
    options?: Options,
  ): void;
}
