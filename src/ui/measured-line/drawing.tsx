import type { Translate } from '@/words/translate';
import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Cut, Dimension, Extensions } from './dimensions';
import type { Geometry } from './geometry';
import { Fall, MarkShape } from './shapes';

interface DrawingProps {
  marks: Mark[];
  units: UnitPreferences;
  t: Translate | null;
  geometry: Geometry;
  size: { width: number; height: number };
  /** Tees that a touch target stands for. */
  targets?: { id: string }[];
  /** Set where a dial shows the slope. */
  fall?: unknown;
  /** An id of its own on the page, for what is cut off. */
  clip: string;
}

/** What lies under what. */
const LAYERS: Mark['type'][][] = [
  ['zone', 'wedge'],
  ['head', 'rod', 'line', 'curve'],
  ['hole', 'ball', 'coin', 'peg', 'tee', 'midpoint'],
  ['tally'],
];
/** What is written over the cut, if it reaches it. */
const OVER: Mark['type'][] = ['aim'];

/** What may reach beyond the drawing: cut off below the dimension strings. */
const wide = (mark: Mark): boolean =>
  mark.type === 'peg' || (mark.type === 'curve' && mark.role === 'zone');

/** Everything of a measured line that is only drawn: the same on a screen and on paper. */
export function Drawing({
  marks,
  units,
  t,
  geometry,
  size,
  targets,
  fall: dial,
  clip,
}: DrawingProps) {
  const touched = new Set(targets?.map(({ id }) => id));
  const fall = marks.find((mark) => mark.type === 'fall');
  const low = geometry.lie === 'up' || aimsLow(marks);
  const dimensions = marks.filter((mark) => mark.type === 'dimension');
  const shown = geometry.lie === 'along' ? dimensions : dimensions.filter(({ row }) => row > 0);
  const drawn = shapesOf({ marks, units, t, geometry, clip, hidden: touched });
  return (
    <g>
      <clipPath id={clip}>
        <rect
          x={0}
          y={geometry.lie === 'along' ? 82 : 0}
          width={size.width}
          height={Math.max(0, size.height - (geometry.lie === 'along' ? 138 : 14))}
        />
      </clipPath>
      {fall && !dial && (
        <Fall
          falls={fall.falls}
          lie={geometry.lie}
          corner={{ x: low ? size.width - 82 : 30, y: size.height - 34 }}
        />
      )}
      {geometry.lie === 'along' && <Extensions marks={marks} geometry={geometry} />}
      {LAYERS.map(drawn)}
      {geometry.cut && <Cut geometry={geometry} size={size} />}
      {drawn(OVER)}
      {shown.map((mark, index) => (
        <Dimension
          key={`${mark.row} ${mark.from}`}
          above={index % 2 === 1}
          mark={mark}
          units={units}
          geometry={geometry}
          size={size}
        />
      ))}
    </g>
  );
}

/** The shapes of a layer, in order. */
const shapesOf =
  ({
    marks,
    units,
    t,
    geometry,
    clip,
    hidden,
  }: Omit<DrawingProps, 'size' | 'targets' | 'fall'> & { hidden: Set<string> }) =>
  (layer: Mark['type'][]) =>
    marks
      .filter(({ type }) => layer.includes(type))
      .map((mark, index) => (
        <g key={`${mark.type} ${index}`} {...(wide(mark) && { clipPath: `url(#${clip})` })}>
          <MarkShape mark={mark} units={units} t={t} geometry={geometry} hidden={hidden} />
        </g>
      ));

const NOTHING = new Set<string>();

/** Only what stands and where the ball rolls, without a number: a drawing so small that it is known by its shape. */
export function BareDrawing({
  size,
  ...drawing
}: Pick<DrawingProps, 'marks' | 'units' | 'geometry' | 'size' | 'clip'>) {
  return (
    <g>
      <clipPath id={drawing.clip}>
        <rect width={size.width} height={size.height} />
      </clipPath>
      {LAYERS.map(shapesOf({ ...drawing, t: null, hidden: NOTHING }))}
    </g>
  );
}

/** Whether the aim is written in the lower right corner of a drawing that lies along the screen. */
export const aimsLow = (marks: Mark[]): boolean =>
  marks.some((mark) => mark.type === 'aim' && mark.beside > 0);
