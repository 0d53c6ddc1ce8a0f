import type { Translate } from '@/words/translate';
import type { ReactNode } from 'react';
import { makeWindow } from '@/core/green';
import {
  drawLayout,
  layoutCautions,
  layoutChecklist,
  layoutKit,
  sensitivityOf,
  tapeList,
  type Layout,
} from '@/core/layout';
import { KIT, type Fitting } from '@/core/people';
import { ruleWords, type DrillDetails } from '@/core/drill';
import { roughLength, showLength, type UnitPreferences } from '@/core/units';
import { Drawing } from '@/ui/measured-line/drawing';
import { fit, marginsOf } from '@/ui/measured-line/geometry';
import { svgString } from '@/ui/svg-string';
import { drillWords } from '../drills/drill-words';
import { groundWords, readWords } from '../drills/ground-words';
import { alongWords, asideWords, checkLength } from '../drills/tape-list';
import type { Paper } from './paper';
import { BODY, FONTS, label, ticked, write, type Pen, type Setting } from './pen';
import type { Cut, Measure } from './wrap';

/** Everything a set-up sheet says. */
export interface SheetInput {
  t: Translate;
  name: string;
  version: string;
  layout: Layout;
  details: DrillDetails;
  units: UnitPreferences;
  /** Whom it is for; null for a common player. */
  student: { name: string; fitting: Fitting; kit: readonly string[] } | null;
  /** Which rung and what it changes, or null. */
  rung: string | null;
  /** What the square opens: its modules, row by row, and how many in a row. */
  code: { size: number; dark: readonly boolean[] };
  /** When it was made, in words. */
  made: string;
}

const MARGIN = 46;
/** Sizes that are tried until all fits on the page. */
const SCALES = [1.14, 1.07, 1, 0.94, 0.88, 0.82, 0.77, 0.72];
const CODE = 96;

/** Ink on white paper. */
const INK: Record<string, string> = {
  paper: '#ffffff',
  sheet: '#ffffff',
  ink: '#18212d',
  ink2: '#4b5566',
  rule: '#b9b09b',
  hair: '#d5cdba',
  line: '#c43b1d',
  hole: '#2a5fa5',
  left: '#6a47a0',
  right: '#0b7270',
};

/**
 * A set-up sheet as one page of SVG, as large as it fits.
 *
 * @param input what it says
 * @param paper on which
 * @param measure how wide text is set
 * @returns the SVG and the scale its words are set at
 */
export function sheetSvg(
  input: SheetInput,
  paper: Paper,
  measure: Measure,
): { svg: string; scale: number } {
  for (const scale of SCALES) {
    const page = composed(input, { paper, scale, measure });
    if (page.y <= paper.height - MARGIN || scale === SCALES.at(-1)) {
      return { svg: inked(input.t, page.nodes, paper, input.name), scale };
    }
  }
  throw new RangeError('No scale fits this sheet.');
}

function inked(t: Translate, nodes: ReactNode[], { width, height }: Paper, name: string): string {
  const svg = svgString(
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      fontFamily="Archivo"
      role="img"
      aria-label={t('sheet.sheet.title', { name })}
    >
      <rect width={width} height={height} fill="#ffffff" />
      {nodes}
    </svg>,
  );
  return svg
    .replace(/var\(--(\w+)\)/g, (_, tone: string) => INK[tone] ?? '#000000')
    .replace(
      /font-weight="(\d+)"/g,
      (_, weight: string) => `font-weight="${Number(weight) >= 600 ? 700 : 400}"`,
    );
}

function composed(input: SheetInput, setting: Setting): Pen {
  const { paper, scale } = setting;
  const inner = paper.width - 2 * MARGIN;
  const pen: Pen = { nodes: [], y: MARGIN };
  head(pen, input, setting, inner);
  drawing(pen, input, inner);
  tape(pen, input, setting, inner);
  const top = pen.y + 16 * scale;
  const gap = 30;
  const wide = Math.round((inner - gap) * 0.6);
  const left: Pen = { nodes: pen.nodes, y: top };
  doing(left, input, setting, wide);
  const right: Pen = { nodes: pen.nodes, y: top };
  having(right, input, setting, MARGIN + wide + gap, inner - gap - wide);
  pen.y = Math.max(left.y, right.y) + 6 * scale;
  cautions(pen, input, setting, inner);
  return pen;
}

function head(pen: Pen, input: SheetInput, setting: Setting, inner: number): void {
  const { scale } = setting;
  const { student, layout, units, rung, code, t } = input;
  const width = inner - CODE - 20;
  const x = MARGIN;
  codeSquare(pen, code, MARGIN + inner - CODE, MARGIN);
  write(pen, setting, input.name, { x, width, size: 30 * scale, cut: 'bold', leading: 1.15 });
  pen.y += 3 * scale;
  const ground = [readWords(layout), groundWords(layout, units)].filter(Boolean).join(': ');
  write(
    pen,
    setting,
    t('sheet.sheet.putt', {
      distance: showLength(layout.putt.distance, 'putt', units),
      break: drillWords(layout),
      ground,
    }),
    {
      x,
      width,
      size: 16 * scale,
    },
  );
  write(
    pen,
    setting,
    student
      ? t('sheet.sheet.forStudent', {
          student: student.name,
          fitting: fittingWords(t, student.fitting, units),
        })
      : t('sheet.sheet.setUpFor', { fitting: fittingWords(t, layout.player, units) }),
    {
      x,
      width,
      size: 16 * scale,
      cut: student ? 'bold' : 'regular',
    },
  );
  if (rung) write(pen, setting, t('sheet.sheet.rung', { rung }), { x, width, size: 16 * scale });
  write(pen, setting, [input.version, input.made].filter(Boolean).join(' · '), {
    x,
    width,
    size: 12.5 * scale,
    cut: 'narrow',
    tone: 'ink2',
  });
  pen.y = Math.max(pen.y, MARGIN + CODE) + 8;
}

const fittingWords = (
  t: Translate,
  { hand, headLength, headDepth, school, seated }: Fitting,
  units: UnitPreferences,
): string =>
  [
    t('sheet.sheet.handed', { hand }),
    t('sheet.sheet.head', {
      length: showLength(headLength, 'across', units),
      depth: showLength(headDepth, 'across', units),
    }),
    t(school === 'arc' ? 'sheet.sheet.arc' : 'sheet.sheet.straightStroke'),
    seated && t('sheet.sheet.seated'),
  ]
    .filter(Boolean)
    .join(', ');

function codeSquare(pen: Pen, { size, dark }: SheetInput['code'], x: number, y: number): void {
  const cell = CODE / size;
  const path = dark
    .flatMap((on, index) =>
      on
        ? [
            `M${(x + (index % size) * cell).toFixed(2)} ${(y + Math.floor(index / size) * cell).toFixed(2)}h${cell.toFixed(2)}v${cell.toFixed(2)}h-${cell.toFixed(2)}z`,
          ]
        : [],
    )
    .join('');
  pen.nodes.push(<path d={path} fill="#000000" />);
}

const DRAWING = 288;

function drawing(pen: Pen, { layout, units, t }: SheetInput, inner: number): void {
  const size = { width: inner, height: DRAWING };
  const marks = drawLayout(layout);
  const geometry = fit(marks, {
    ...size,
    lie: 'along',
    margin: marginsOf('along'),
    holeAtMost: 40,
  });
  const { shareOfHole } = makeWindow(layout.putt);
  pen.nodes.push(
    <g transform={`translate(${MARGIN} ${pen.y})`}>
      <rect width={inner} height={DRAWING} fill="none" stroke="var(--ink)" strokeWidth={1.2} />
      <Drawing
        t={t}
        marks={marks}
        units={units}
        geometry={geometry}
        size={size}
        clip="sheet-drawing"
      />
      <text x={10} y={DRAWING - 10} fontSize={12.5} fill="var(--ink2)" {...FONTS.narrow}>
        {t('sheet.sheet.drawing', {
          past: roughLength(layout.putt.past, units),
          share: Math.round(shareOfHole * 100),
          across: geometry.across,
        })}
      </text>
    </g>,
  );
  pen.y += DRAWING + 14;
}

function tape(pen: Pen, { layout, units, t }: SheetInput, setting: Setting, inner: number): void {
  const { scale } = setting;
  const size = 16.5 * scale;
  const row = size * 1.55;
  const right = MARGIN + inner;
  const columns = {
    along: MARGIN + inner * 0.5,
    left: MARGIN + inner * 0.64,
    right: MARGIN + inner * 0.78,
  };
  const cell = (text: string, x: number, anchor: 'start' | 'end', cut: Cut, tone = 'ink') =>
    pen.nodes.push(
      <text
        x={x}
        y={pen.y + size}
        fontSize={cut === 'narrow' ? 13 * scale : size}
        textAnchor={anchor}
        fill={`var(--${tone})`}
        {...FONTS[cut]}
      >
        {text}
      </text>,
    );
  const rule = (tone: string, width: number) =>
    pen.nodes.push(
      <line
        x1={MARGIN}
        x2={right}
        y1={pen.y}
        y2={pen.y}
        stroke={`var(--${tone})`}
        strokeWidth={width}
      />,
    );
  cell(t('sheet.sheet.tapeList'), MARGIN, 'start', 'narrow', 'ink2');
  cell(t('sheet.sheet.along'), columns.along, 'end', 'narrow', 'ink2');
  cell(t('sheet.sheet.left'), columns.left, 'end', 'narrow', 'ink2');
  cell(t('sheet.sheet.right'), columns.right, 'end', 'narrow', 'ink2');
  cell(t('sheet.sheet.check'), right, 'end', 'narrow', 'ink2');
  pen.y += row * 0.92;
  rule('ink', 1.2);
  for (const one of tapeList(layout)) {
    cell(
      one.label ? `${one.label}  ${one.name}` : one.name,
      MARGIN,
      'start',
      one.label ? 'bold' : 'regular',
    );
    cell(alongWords(one, units), columns.along, 'end', 'bold');
    const aside = asideWords(one, units).replace(/ (left|right)$/, '');
    const middle = aside === 'on the line';
    const column = middle || one.at.across > 0 ? columns.right : columns.left;
    cell(
      one.what === 'ball' ? '' : middle ? t('sheet.sheet.onLine') : aside,
      column,
      'end',
      'bold',
    );
    const [check] = one.checks;
    if (check) cell(checkLength(check.metres, units), right, 'end', 'bold', 'line');
    pen.y += row;
    rule('hair', 0.8);
  }
  const [first] = layout.elements.flatMap(({ id }) => sensitivityOf(layout, id).slice(0, 1));
  const note = t('sheet.sheet.measuring', {
    known: String(!!first),
    first: first?.label.toLowerCase() ?? '',
  });
  pen.y += 3 * scale;
  write(pen, setting, note, {
    x: MARGIN,
    width: inner,
    size: 13 * scale,
    cut: 'narrow',
    tone: 'ink2',
  });
}

function doing(
  pen: Pen,
  { details, layout, t }: SheetInput,
  setting: Setting,
  width: number,
): void {
  const { scale } = setting;
  const size = BODY * scale;
  const x = MARGIN;
  label(pen, setting, t('sheet.sheet.steps'), x, width);
  details.steps.forEach((step, index) => {
    const y = pen.y;
    write(pen, setting, step, { x: x + 22 * scale, width: width - 22 * scale, size });
    pen.nodes.push(
      <text x={x} y={y + size} fontSize={size} fill="var(--line)" {...FONTS.bold}>
        {index + 1}
      </text>,
    );
    pen.y += 2 * scale;
  });
  for (const line of layoutChecklist(layout)) {
    ticked(pen, setting, line, x, width);
    pen.y += 2 * scale;
  }
  pen.y += 6 * scale;
  label(pen, setting, t('sheet.sheet.whatCounts'), x, width);
  write(
    pen,
    setting,
    t('sheet.sheet.judged', {
      judge: details.judge,
      rule: ruleWords(details.rule),
      putts: details.cap.putts,
      minutes: details.cap.minutes,
    }).trim(),
    {
      x,
      width,
      size,
    },
  );
}

function having(
  pen: Pen,
  { layout, student, details, t }: SheetInput,
  setting: Setting,
  x: number,
  width: number,
): void {
  const { scale } = setting;
  label(pen, setting, t('sheet.sheet.kit'), x, width);
  const kit = [...layoutKit(layout), { item: 'tape' as const, name: KIT.tape.one, count: 1 }];
  for (const { item, name, count } of kit) {
    const missing = student && !student.kit.includes(item);
    const words =
      missing && 'instead' in KIT[item]
        ? t('sheet.sheet.orInstead', { count, name, instead: String(KIT[item].instead) })
        : t('sheet.sheet.kitItem', { count, name });
    ticked(pen, setting, words, x, width);
  }
  if (details.errors.length > 0) {
    pen.y += 8 * scale;
    label(pen, setting, t('sheet.sheet.commonErrors'), x, width);
    for (const error of details.errors) write(pen, setting, error, { x, width, size: 14 * scale });
  }
}

function cautions(
  pen: Pen,
  { layout, details, t }: SheetInput,
  setting: Setting,
  inner: number,
): void {
  const { scale } = setting;
  const all = [...layoutCautions(layout), ...details.cautions, t('sheet.sheet.general')];
  const top = pen.y + 4;
  pen.y = top + 8 * scale;
  write(pen, setting, all.join(' '), {
    x: MARGIN + 14,
    width: inner - 24,
    size: 13.5 * scale,
    leading: 1.32,
  });
  pen.y += 6 * scale;
  pen.nodes.push(<rect x={MARGIN} y={top} width={5} height={pen.y - top} fill="var(--line)" />);
}
