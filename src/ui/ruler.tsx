'use client';

import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { SmallRuler } from './small-ruler';
import { useSize } from './use-size';

export interface RulerProps {
  /** What is measured: "Start line". */
  name: string;
  /** Where its name leads. */
  href?: string;
  /** Under the name: how many putts it rests on. */
  basis: string;
  /** All in the same unit, right positive; the bar holds eight putts in ten. */
  window: { low: number; middle: number; high: number };
  bias: { low: number; middle: number; high: number };
  /** The half window that is good enough, with its label. */
  good: { window: number; label: string };
  /** Half of the ruler in good windows at least, so that rulers below each other can be compared. */
  reach?: number;
  /** What its middle stands for; what was intended, when left out. */
  centre?: string;
  ends: { left: string; right: string };
  value: string;
  interval: string;
  words: string;
  /** One line, which opens to the rest, for a phone alone. */
  folds?: true;
}

const HEIGHT = 92;
const MIDDLE = 47;
/** From the middle of the word in the middle to what stands beside it, px. */
const BESIDE = 40;

/** What half of a ruler stands for: all that it shows, and the good windows that it shares with others. */
const halfOf = ({
  window,
  bias,
  good,
  reach = 1,
}: Pick<RulerProps, 'window' | 'bias' | 'good' | 'reach'>) =>
  1.15 * Math.max(window.high, Math.abs(bias.low), Math.abs(bias.high), reach * good.window);

/** One ruler: centred on what was intended, its bar as wide as eight putts in ten, a ring where they centre. */
export function Ruler(props: RulerProps) {
  const t = useTranslations();
  const [ref, size] = useSize<HTMLDivElement>();
  const bar = (
    <div ref={ref} className="min-w-0" style={{ height: HEIGHT }}>
      {size && size.width > 0 && <Bar {...props} width={size.width} />}
    </div>
  );
  if (props.folds) {
    return (
      <section className="bg-sheet px-4 py-1 md:hidden">
        <details>
          <summary className="grid min-h-12 w-full cursor-pointer grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3">
            <span className="text-[1.0625rem] num">{props.name}</span>
            <span className="text-[1.25rem] num">{props.value}</span>
            <span className="col-span-full">
              <SmallRuler
                window={props.window.middle}
                bias={props.bias.middle}
                good={props.good.window}
                reach={halfOf(props) / props.good.window}
                label={t('ui.ruler.n8Of10PuttsWithin', {
                  name: props.name,
                  window: props.value,
                  words: props.words,
                })}
                width={340}
              />
            </span>
            <span className="col-span-full flex justify-between gap-3 text-[0.875rem] text-ink2">
              <span>◀ {props.ends.left}</span>
              <span>{props.words.split(/[;(]/)[0]!.trim()}</span>
              <span>{props.ends.right} ▶</span>
            </span>
          </summary>
          <p className="pt-1 text-sm text-ink2">
            {props.basis} · {props.interval} · {props.words}
          </p>
          {bar}
          {props.href && (
            <Link href={props.href} className="underline underline-offset-4">
              {t('ui.ruler.viewTheDataBehindThis')}
            </Link>
          )}
        </details>
      </section>
    );
  }
  return (
    <section className="grid items-center gap-x-6 bg-sheet px-5 py-1 md:grid-cols-[130px_1fr_250px] md:px-7">
      <div>
        <h2 className="text-[1.25rem] leading-tight num">
          {props.href ? (
            <Link
              href={props.href}
              className="inline-flex min-h-11 min-w-11 items-center underline decoration-1 underline-offset-4"
            >
              {props.name}
            </Link>
          ) : (
            props.name
          )}
        </h2>
        <p className="text-sm text-ink2">{props.basis}</p>
      </div>
      {bar}
      <div>
        <p className="text-[1.6875rem] leading-tight num">
          {props.value}{' '}
          <span className="text-[0.9375rem] font-normal text-ink2">{props.interval}</span>
        </p>
        <p className="text-[0.9375rem] text-ink2">{props.words}</p>
      </div>
    </section>
  );
}

function Bar({
  window,
  bias,
  good,
  reach,
  centre = 'intended',
  ends,
  name,
  value,
  interval,
  words,
  width,
}: RulerProps & { width: number }) {
  const t = useTranslations();
  const half = halfOf({ window, bias, good, reach });
  const x = (amount: number) => width / 2 + (amount / half) * (width / 2 - 4);
  /** The label of what is good would lie on that of the middle. */
  const close = x(good.window) - width / 2 < 2 * BESIDE;
  return (
    <svg
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className="max-w-full"
      role="img"
      aria-label={t('ui.ruler.n8Of10PuttsWithin2', { name, window: value, interval, words })}
    >
      <text
        x={width / 2}
        y={13}
        textAnchor="middle"
        className="fill-line text-[0.8125rem] font-[650]"
      >
        {centre}
      </text>
      <line x1={0} x2={width} y1={MIDDLE + 20} y2={MIDDLE + 20} className="stroke-rule" />
      <rect
        x={x(-window.high)}
        width={x(window.high) - x(-window.high)}
        y={MIDDLE - 14}
        height={28}
        className="fill-ink"
        fillOpacity={0.16}
      />
      <rect
        x={x(-window.low)}
        width={x(window.low) - x(-window.low)}
        y={MIDDLE - 14}
        height={28}
        className="fill-ink"
        fillOpacity={0.6}
      />
      <line
        x1={width / 2}
        x2={width / 2}
        y1={20}
        y2={MIDDLE + 26}
        className="stroke-line"
        strokeWidth={2}
      />
      {[-good.window, good.window].map((limit) => (
        <line
          key={limit}
          x1={x(limit)}
          x2={x(limit)}
          y1={MIDDLE - 22}
          y2={MIDDLE + 22}
          className="stroke-hole"
          strokeWidth={2.5}
        />
      ))}
      <text
        x={close ? width / 2 + BESIDE : x(good.window)}
        y={MIDDLE - 27}
        textAnchor={close ? 'start' : 'middle'}
        className="fill-hole text-[0.8125rem] font-[620]"
      >
        {good.label}
      </text>
      <line
        x1={x(bias.low)}
        x2={x(bias.high)}
        y1={MIDDLE}
        y2={MIDDLE}
        className="stroke-sheet"
        strokeWidth={4}
        strokeLinecap="round"
      />
      <circle
        cx={x(bias.middle)}
        cy={MIDDLE}
        r={6.5}
        className="fill-sheet stroke-ink"
        strokeWidth={2.4}
      />
      <text x={0} y={HEIGHT - 9} className="fill-leftward text-[0.875rem] font-[600]">
        ◀ {ends.left}
      </text>
      <text
        x={width}
        y={HEIGHT - 9}
        textAnchor="end"
        className="fill-rightward text-[0.875rem] font-[600]"
      >
        {ends.right} ▶
      </text>
    </svg>
  );
}
