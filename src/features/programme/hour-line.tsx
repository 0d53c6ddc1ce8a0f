'use client';

import { useTranslations } from 'next-intl';
import { PHASE_WORDS, type Span, type Totals } from '@/core/planning';
import { useSize } from '@/ui/use-size';
import { letterOf } from './letters';
import type { Offer } from './plan-shape';

const HEIGHT = 118;
const LINE = 56;
const LEFT = 14;
const RIGHT = 26;

/** The hour as a measured line: each drill as long as it takes by the median, the end pale to where nine in ten are done. */
export function HourLine({
  blocks,
  totals,
  minutes,
}: {
  blocks: { id: string; offer: Offer }[];
  totals: Totals;
  /** Asked for. */
  minutes: number;
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div ref={ref} style={{ height: HEIGHT }}>
      {size && size.width > 0 && (
        <HourDrawn blocks={blocks} totals={totals} minutes={minutes} width={size.width} />
      )}
    </div>
  );
}

/** The line itself, in a room of this width. */
export function HourDrawn({
  blocks,
  totals,
  minutes,
  width,
}: {
  blocks: { id: string; offer: Offer }[];
  totals: Span & { rests: number };
  minutes: number;
  width: number;
}) {
  const t = useTranslations();
  const reach = Math.max(minutes, totals.late, 10) * 1.02;
  const x = (minute: number) => LEFT + (minute / reach) * (width - LEFT - RIGHT);
  const sum = blocks.reduce((all, { offer }) => all + offer.span.median, 0);
  // Medians do not add up: what is drawn is stretched to the total, breaks in it.
  const stretch = sum > 0 ? totals.median / sum : 1;
  const ends = blocks.map(
    (_, i) =>
      stretch * blocks.slice(0, i + 1).reduce((all, { offer }) => all + offer.span.median, 0),
  );
  const over = totals.late > minutes;
  return (
    <svg
      role="img"
      aria-label={t('programme.hourLine.planTimelineInTotalMinutes', {
        blocks: blocks
          .map(({ offer }, i) =>
            t('programme.hourLine.minutes', {
              i: letterOf(i),
              offer: offer.name,
              median: Math.round(offer.span.median),
            }),
          )
          .join('; '),
        median: Math.round(totals.median),
        late: Math.round(totals.late),
        minutes,
      })}
      width={width}
      height={HEIGHT}
      className="block text-ink"
    >
      <line x1={x(0)} x2={x(reach)} y1={LINE} y2={LINE} stroke="var(--rule)" />
      {blocks.map(({ id, offer }, i) => {
        const [from, to] = [x(ends[i - 1] ?? 0), x(ends[i]!)];
        const wide = to - from;
        return (
          <g key={id}>
            <rect
              x={from}
              y={LINE - 15}
              width={Math.max(0, wide - 1.5)}
              height={30}
              fill={offer.phase === 'test' ? 'var(--sheet)' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth="1.5"
              opacity={offer.phase === 'pressure' ? 1 : 0.82}
            />
            {wide > 16 && (
              <text
                x={(from + to) / 2 - 1}
                y={LINE + 6}
                textAnchor="middle"
                fontSize="16"
                fontWeight="700"
                fill={offer.phase === 'test' ? 'var(--ink)' : 'var(--sheet)'}
              >
                {letterOf(i)}
              </text>
            )}
            <line x1={from} x2={from} y1={LINE - 30} y2={LINE - 15} stroke="var(--ink2)" />
            {wide > 30 && (
              <text
                x={(from + to) / 2}
                y={LINE - 20}
                textAnchor="middle"
                fontSize="13"
                fill="var(--ink2)"
              >
                {Math.round(offer.span.median)}
                {wide > 60 ? t('programme.hourLine.min') : ''}
              </text>
            )}
            {wide > 92 && (
              <text
                x={(from + to) / 2}
                y={LINE + 32}
                textAnchor="middle"
                fontSize="12.5"
                fill="var(--ink2)"
              >
                {offer.phase === 'reading'
                  ? t('programme.hourLine.reading')
                  : PHASE_WORDS[offer.phase]}
              </text>
            )}
          </g>
        );
      })}
      <defs>
        <linearGradient id="pale" x1="0" x2="1">
          <stop offset="0" stopColor="var(--line)" stopOpacity="0.55" />
          <stop offset="1" stopColor="var(--line)" stopOpacity="0.04" />
        </linearGradient>
      </defs>
      {blocks.length > 0 && (
        <rect
          x={x(totals.median)}
          y={LINE - 9}
          width={Math.max(0, x(totals.late) - x(totals.median))}
          height={18}
          fill="url(#pale)"
        />
      )}
      <line
        x1={x(minutes)}
        x2={x(minutes)}
        y1={LINE - 34}
        y2={LINE + 34}
        stroke="var(--hole)"
        strokeWidth="2.5"
      />
      <text
        x={Math.min(x(minutes), width - 4)}
        y={LINE - 38}
        textAnchor={x(minutes) > width - 70 ? 'end' : 'middle'}
        fontSize="13.5"
        fontWeight="650"
        fill="var(--hole)"
      >
        {t('programme.hourLine.minRequested', { minutes })}
      </text>
      {blocks.length > 0 && (
        <text
          x={Math.min(x(totals.late), width - 4)}
          y={LINE + 50}
          textAnchor={
            x(totals.late) > width - 170 ? 'end' : x(totals.late) < 170 ? 'start' : 'middle'
          }
          fontSize="13.5"
          fontWeight="650"
          fill={over ? 'var(--line)' : 'var(--ink2)'}
        >
          {t('programme.hourLine.n90ChanceOfFinishingWithin', { late: Math.round(totals.late) })}
        </text>
      )}
    </svg>
  );
}
