import type { Translate } from '@/words/translate';
import { scaleLinear, scaleTime } from 'd3-scale';
import type { TrendChartProps } from './trend-chart';

const WIDTH = 900;
const HEIGHT = 420;
const ROOM = { left: 70, right: 24, top: 64, bottom: 44 };
const FONT = 'Archivo, Helvetica, Arial, sans-serif';
/** Inks on paper, whatever the screen's theme is. */
const INK = '#1b1d1a';
const PALE = '#5c605a';
const HAIR = '#d9dbd6';
const LEVEL = '#8a5a00';

/**
 * A trend as a drawing of its own, for files: what was found at each session, the band that holds it eight times in ten, and
 * the level it is compared with, each named.
 */
export function TrendDrawing({
  points,
  level,
  marks = [],
  unit,
  from = 'zero',
  description,
  t,
}: TrendChartProps & { t: Translate }) {
  const values = [
    ...points.flatMap(({ low, high }) => [low, high]),
    ...(level ? [level.value] : []),
  ];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const grace = 0.06 * (most - least || Math.abs(most) || 1);
  const y = scaleLinear(
    [from === 'zero' ? Math.min(0, least) : least - grace, most + grace],
    [HEIGHT - ROOM.bottom, ROOM.top],
  ).nice(5);
  const times = points.map(({ at }) => at.getTime());
  const x = scaleTime([Math.min(...times), Math.max(...times)], [ROOM.left, WIDTH - ROOM.right]);
  // One session stands in the middle.
  const at = (time: number) =>
    times.length === 1 ? (ROOM.left + WIDTH - ROOM.right) / 2 : x(time);
  const line = (pick: (point: (typeof points)[number]) => number) =>
    points.map((point) => `${at(point.at.getTime()).toFixed(1)},${y(pick(point)).toFixed(1)}`);
  const band = [...line(({ low }) => low), ...line(({ high }) => high).reverse()].join(' ');
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  const days = times.length === 1 ? points.map((point) => point.at) : x.ticks(5);
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      fontFamily={FONT}
      fontSize={14}
    >
      <rect width={WIDTH} height={HEIGHT} fill="#ffffff" />
      <text x={ROOM.left} y={28} fontSize={18} fontWeight={600} fill={INK}>
        {description}
      </text>
      <text x={ROOM.left} y={48} fill={PALE}>
        {t('ui.trendDrawing.theShadedBandIsThe')}
      </text>
      {y.ticks(5).map((value) => (
        <g key={value}>
          <line
            x1={ROOM.left}
            x2={WIDTH - ROOM.right}
            y1={y(value)}
            y2={y(value)}
            stroke={HAIR}
            strokeWidth={1}
          />
          <text x={ROOM.left - 8} y={y(value) + 5} textAnchor="end" fill={PALE}>
            {Number(value.toPrecision(6))}
            {unit}
          </text>
        </g>
      ))}
      {days.map((tick) => (
        <text
          key={tick.getTime()}
          x={at(tick.getTime())}
          y={HEIGHT - 16}
          textAnchor="middle"
          fill={PALE}
        >
          {day.format(tick)}
        </text>
      ))}
      <polygon points={band} fill={INK} fillOpacity={0.14} />
      {level && (
        <g>
          <line
            x1={ROOM.left}
            x2={WIDTH - ROOM.right}
            y1={y(level.value)}
            y2={y(level.value)}
            stroke={LEVEL}
            strokeWidth={2}
            strokeDasharray="6 5"
          />
          <text x={WIDTH - ROOM.right} y={y(level.value) - 6} textAnchor="end" fill={LEVEL}>
            {[level.label, ': ', Number(level.value.toPrecision(3)), unit].join('')}
          </text>
        </g>
      )}
      {marks
        .filter(
          (mark) => mark.at.getTime() >= times[0]! && mark.at.getTime() <= times[times.length - 1]!,
        )
        .map((mark, index) => {
          const across = at(mark.at.getTime());
          const late = across > (WIDTH * 2) / 3;
          return (
            <g key={mark.at.getTime()}>
              <line
                x1={across}
                x2={across}
                y1={ROOM.top}
                y2={HEIGHT - ROOM.bottom}
                stroke={INK}
                strokeWidth={1.4}
                strokeDasharray="2 4"
              />
              <text
                x={across + (late ? -6 : 6)}
                y={ROOM.top + 14 + 17 * (index % 3)}
                textAnchor={late ? 'end' : 'start'}
                fill={INK}
              >
                {mark.label}
              </text>
            </g>
          );
        })}
      <polyline
        points={line(({ middle }) => middle).join(' ')}
        fill="none"
        stroke={INK}
        strokeWidth={2.4}
      />
      {points.map((point) => (
        <circle
          key={point.at.getTime()}
          cx={at(point.at.getTime())}
          cy={y(point.middle)}
          r={4.5}
          fill={INK}
        />
      ))}
    </svg>
  );
}
