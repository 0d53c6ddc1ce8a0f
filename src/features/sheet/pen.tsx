import type { ReactNode } from 'react';
import type { Paper } from './paper';
import { wrap, type Cut, type Measure } from './wrap';

/** Size of the running words, px. */
export const BODY = 15.5;

/** The sheet's type as SVG names it. */
export const FONTS: Record<Cut, { fontFamily: string; fontWeight: number }> = {
  regular: { fontFamily: 'Archivo', fontWeight: 400 },
  bold: { fontFamily: 'Archivo', fontWeight: 700 },
  narrow: { fontFamily: 'Archivo Narrow', fontWeight: 400 },
};

/** A page being written from the top: a place on it, and what has been put there. */
export interface Pen {
  nodes: ReactNode[];
  y: number;
}

/** On what, and how large. */
export interface Setting {
  paper: Paper;
  scale: number;
  measure: Measure;
}

/** Sets a text in lines and moves the pen below it. */
export function write(
  pen: Pen,
  { measure }: Setting,
  text: string,
  at: { x: number; width: number; size: number; cut?: Cut; tone?: string; leading?: number },
): void {
  const { x, width, size, cut = 'regular', tone = 'ink', leading = 1.3 } = at;
  for (const line of wrap(text, width, size, cut, measure)) {
    pen.nodes.push(
      <text x={x} y={pen.y + size} fontSize={size} fill={`var(--${tone})`} {...FONTS[cut]}>
        {line}
      </text>,
    );
    pen.y += size * leading;
  }
}

/** A small heading. */
export function label(pen: Pen, setting: Setting, text: string, x: number, width: number): void {
  write(pen, setting, text, {
    x,
    width,
    size: 13 * setting.scale,
    cut: 'narrow',
    tone: 'ink2',
    leading: 1.5,
  });
}

/** A line with a box to tick before it. */
export function ticked(pen: Pen, setting: Setting, text: string, x: number, width: number): void {
  const size = BODY * setting.scale;
  const indent = 22 * setting.scale;
  pen.nodes.push(
    <rect
      x={x + 1}
      y={pen.y + size * 0.22}
      width={size * 0.72}
      height={size * 0.72}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={1.2}
    />,
  );
  write(pen, setting, text, { x: x + indent, width: width - indent, size });
}
