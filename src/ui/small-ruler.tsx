import clsx from 'clsx';

const HEIGHT = 18;

/**
 * A ruler without words, for a line of a list: the bar holds eight putts in ten, the shaded part is what is good enough, the
 * ring is the bias.
 *
 * @param window half of it, in the unit of `bias` and of `good`, right positive
 * @param reach half of the ruler in good windows, so that rulers beside each other share a scale
 * @param width of the drawing in its own units, which are px at full size
 */
export function SmallRuler({
  window,
  bias,
  good,
  reach,
  label,
  width = 64,
}: {
  window: number;
  bias: number;
  good: number;
  reach: number;
  label: string;
  width?: number;
}) {
  const x = (amount: number) =>
    width / 2 + (Math.max(-1, Math.min(1, amount / (reach * good))) * width) / 2;
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${width} ${HEIGHT}`} className="w-full">
      <rect
        x={x(-good)}
        width={x(good) - x(-good)}
        y={1}
        height={HEIGHT - 2}
        className="fill-hole/20"
      />
      <rect
        x={x(-window)}
        width={x(window) - x(-window)}
        y={5}
        height={8}
        className={clsx(window > good ? 'fill-ink' : 'fill-ink/60')}
      />
      <path d={`M${width / 2} 0V${HEIGHT}`} className="stroke-line" strokeWidth={1.4} />
      <circle
        cx={x(bias)}
        cy={HEIGHT / 2}
        r={3.4}
        className="fill-sheet stroke-ink"
        strokeWidth={1.6}
      />
    </svg>
  );
}
