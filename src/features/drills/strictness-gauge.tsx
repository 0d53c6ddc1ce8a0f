'use client';

import { useTranslations } from 'next-intl';
import { showDegrees, toDegrees } from '@/core/units';
import type { Strictness } from '@/core/layout';
import { useSize } from '@/ui/use-size';

const HEIGHT = 146;

const range = ({ left, right }: { left: number; right: number }) =>
  left.toFixed(6) === right.toFixed(6)
    ? `±${showDegrees(right)}`
    : `−${showDegrees(left)} +${showDegrees(right)}`;

/** The outermost ticks say which side they are on; there is no room on the others. */
function tickWords(tick: number, outermost: number): string {
  if (tick === 0) return 'line';
  const side = tick < 0 ? ' left' : ' right';
  return `${Math.abs(tick)}°${Math.abs(tick) === outermost ? side : ''}`;
}

/** The hole's window over the gate's tolerance, on one scale of degrees. */
export function StrictnessGauge({ gate, hole }: Pick<Strictness, 'gate' | 'hole'>) {
  const t = useTranslations();
  const [ref, size] = useSize<HTMLDivElement>();
  const reach = Math.max(gate.left, gate.right, hole.left, hole.right);
  const step = [0.25, 0.5, 1, 2, 5, 10].find((one) => one * 2.6 >= toDegrees(reach)) ?? 20;
  const ticks = [-2, -1, 0, 1, 2].map((count) => count * step);
  const width = size?.width ?? 0;
  const x = (degrees: number) => width / 2 + (degrees / (step * 2.7)) * (width / 2);
  const bar = (
    limits: { left: number; right: number },
    y: number,
    name: string,
    tone: string,
    text: string,
  ) => (
    <g>
      <rect
        x={x(-toDegrees(limits.left))}
        width={x(toDegrees(limits.right)) - x(-toDegrees(limits.left))}
        y={y}
        height={22}
        className={tone}
        fillOpacity={0.2}
        strokeWidth={1.4}
      />
      <text
        x={width / 2}
        y={y - 6}
        textAnchor="middle"
        className={`text-[0.90625rem] font-[650] ${text}`}
      >
        {name} {range(limits)}
      </text>
    </g>
  );
  return (
    <div ref={ref} style={{ height: HEIGHT }}>
      {size && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={t('drills.strictnessGauge.holeGate', {
            range: range(hole),
            range2: range(gate),
          })}
        >
          {bar(hole, 20, 'hole', 'fill-hole stroke-hole', 'fill-hole')}
          {bar(gate, 68, 'gate', 'fill-line stroke-line', 'fill-line')}
          <line x1={0} x2={width} y1={110} y2={110} className="stroke-ink" />
          {ticks.map((tick) => (
            <g key={tick}>
              <line x1={x(tick)} x2={x(tick)} y1={105} y2={115} className="stroke-ink" />
              <text x={x(tick)} y={132} textAnchor="middle" className="fill-ink2 text-[0.8125rem]">
                {tickWords(tick, 2 * step)}
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}
