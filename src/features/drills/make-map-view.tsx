'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useId, useMemo, useRef } from 'react';
import { makeWindow, type MakeMap, type MapRange, type Putt, type Skill } from '@/core/green';
import { standing, type Layout } from '@/core/layout';
import { chance } from '@/core/simulate';
import { toDegrees, toRadians } from '@/core/units';
import { useLatest } from '@/ui/use-latest';
import { useSize } from '@/ui/use-size';
import { greenWork } from '../shared/green-work';
import type { KnownStart } from './actions';
import { Term } from '../shared/term';

const SIZE = { columns: 200, rows: 200 };
/** Pace and read are not measured yet: taken so, and said so. */
const ASSUMED = { speed: 0.06, read: toRadians(0.5) };
/** Weights of the ends of an 80 % interval and of its middle that make a mean (Swanson's rule; Hurst and others 2000). */
const SWANSON = { ends: 0.3, middle: 0.4 };
const CLOUD = 90;

/** What is holed, over how it was started: direction across, speed up. */
export function MakeMapView({
  layout,
  who,
  waiting,
}: {
  layout: Layout;
  /** Whose putts are laid over it. */
  who: KnownStart | null;
  /** Whether they are still being scored. */
  waiting: boolean;
}) {
  const t = useTranslations();
  const { putt } = layout;
  const window = useMemo(() => makeWindow(putt), [putt]);
  const skill = who?.score ? skillOf(who) : null;
  const range = rangeOf(putt, skill);
  const question = JSON.stringify([putt, range]);
  const found = useLatest(question, async () => ({
    range,
    map: await greenWork().makeMap(putt, range, SIZE),
  }));
  const chanceKey = skill && JSON.stringify([putt, skill]);
  const chances = useLatest(chanceKey, async () => {
    const { worse, middle, better } = skill!;
    const [low, likely, high] = await Promise.all(
      [worse, middle, better].map((one) => greenWork().expectedPutts(putt, one)),
    );
    const expected = (of: 'one' | 'mean') =>
      SWANSON.ends * (low![of] + high![of]) + SWANSON.middle * likely![of];
    return {
      key: chanceKey,
      ...{ one: expected('one'), putts: expected('mean'), low: low!.one, high: high!.one },
    };
  });
  return (
    <section
      className="grid gap-x-8 gap-y-4 px-4 py-5 md:px-7"
      aria-label={t('drills.makeMapView.makeMap')}
    >
      <Picture layout={layout} found={found} skill={skill} window={window} />
      <div className="grid content-start gap-x-8 gap-y-4 md:grid-cols-2">
        <p className="text-[1rem]">
          {t.rich('drills.makeMapView.legend', {
            map: (chunks) => <Term name="make map">{chunks}</Term>,
            strong: (chunks) => <strong className="text-hole">{chunks}</strong>,
          })}
        </p>
        {waiting && <p className="text-ink2">{t('drills.makeMapView.calculating')}</p>}
        {!who && !waiting && (
          <p className="text-ink2">{t('drills.makeMapView.chooseAStudentAboveTo')}</p>
        )}
        {who && !who.score && (
          <p className="text-ink2">{t('drills.makeMapView.hasNoPuttsYetSo', { who: who.name })}</p>
        )}
        {who?.score && (
          <p className="text-[1rem]" aria-live="polite">
            {chances?.key === chanceKey && chances ? (
              <>
                {t.rich('drills.makeMapView.wouldHoleOf100To', {
                  who: who.name,
                  one: Math.round(chances.one * 100),
                  low: Math.round(chances.low * 100),
                  high: Math.round(chances.high * 100),
                  putts: chances.putts.toFixed(2),
                  strong: (chunks) => <strong className="text-[1.5rem] num">{chunks}</strong>,
                  strong2: (chunks) => <strong className="num">{chunks}</strong>,
                })}
              </>
            ) : (
              t('drills.makeMapView.calculating')
            )}
            <span className="mt-1.5 block text-sm text-ink2">
              {t('drills.makeMapView.startLineBasedOnPutts', {
                putts: who.putts,
                speed: ASSUMED.speed * 100,
                toDegrees: toDegrees(ASSUMED.read).toFixed(1),
              })}
            </span>
          </p>
        )}
      </div>
    </section>
  );
}

interface KnownSkill {
  middle: Skill;
  better: Skill;
  worse: Skill;
}

function skillOf({ score }: KnownStart): KnownSkill | null {
  if (!score) return null;
  const skill = (spread: number): Skill => ({
    direction: { bias: score.bias.middle, spread },
    speed: { bias: 0, spread: ASSUMED.speed },
    read: ASSUMED.read,
  });
  return {
    middle: skill(score.spread.middle),
    better: skill(score.spread.low),
    worse: skill(score.spread.high),
  };
}

/** A field a little larger than the window, and large enough for most of the player's putts. */
function rangeOf(putt: Putt, skill: KnownSkill | null): MapRange {
  const { aim, left, right, slowest, fastest } = makeWindow(putt);
  const { spread = 0, bias = 0 } = skill?.middle.direction ?? {};
  const aside = Math.max(2.2 * Math.max(left, right), 2.4 * spread + Math.abs(bias));
  const slower = Math.max(1.6 * (aim.startSpeed - slowest), 0.15 * aim.startSpeed);
  const faster = Math.max(1.35 * (fastest - aim.startSpeed), 0.15 * aim.startSpeed);
  return {
    directions: [aim.direction - aside, aim.direction + aside],
    speeds: [Math.max(0.05, aim.startSpeed - slower), aim.startSpeed + faster],
  };
}

const HEIGHT = 340;
const LEFT = 62;
const BOTTOM = 42;

function Picture({
  layout,
  found,
  skill,
  window,
}: {
  layout: Layout;
  found: { range: MapRange; map: MakeMap } | null;
  skill: KnownSkill | null;
  window: ReturnType<typeof makeWindow>;
}) {
  const t = useTranslations();
  const [ref, size] = useSize<HTMLDivElement>();
  const canvas = useRef<HTMLCanvasElement>(null);
  const clip = useId();
  useEffect(() => {
    if (found && canvas.current) paint(canvas.current, found.map);
  }, [found]);
  const width = Math.max(120, (size?.width ?? 0) - LEFT);
  const high = HEIGHT - BOTTOM;
  const { directions, speeds } = found?.range ?? rangeOf(layout.putt, skill);
  const { aim } = window;
  const x = (angle: number) =>
    LEFT + ((angle - directions[0]) / (directions[1] - directions[0])) * width;
  const y = (speed: number) => high - ((speed - speeds[0]) / (speeds[1] - speeds[0])) * high;
  const gate = standing(layout)
    .map((element) => element.tolerance())
    .find((tolerance) => tolerance !== null);
  const cloud = useMemo(() => (skill ? cloudOf(skill.middle) : []), [skill]);
  return (
    <div ref={ref} className="relative min-w-0" style={{ height: HEIGHT }}>
      <canvas
        ref={canvas}
        width={SIZE.columns}
        height={SIZE.rows}
        className="absolute top-0 border-b border-l border-ink bg-sheet"
        style={{ left: LEFT, width, height: high }}
      />
      {size && (
        <svg
          width={size.width}
          height={HEIGHT}
          className="absolute inset-0"
          role="img"
          aria-label={t('drills.makeMapView.whichPuttsGoInBy')}
        >
          <clipPath id={clip}>
            <rect x={LEFT} y={0} width={width} height={high} />
          </clipPath>
          {gate && (
            <rect
              clipPath={`url(#${clip})`}
              x={x(aim.direction - gate.left)}
              width={x(aim.direction + gate.right) - x(aim.direction - gate.left)}
              y={0}
              height={high}
              className="fill-line stroke-line"
              fillOpacity={0.1}
              strokeWidth={1.2}
            />
          )}
          <g clipPath={`url(#${clip})`}>
            {cloud.map(([angle, share], index) => (
              <circle
                key={index}
                cx={x(aim.direction + angle)}
                cy={y(aim.startSpeed * (1 + share))}
                r={3.2}
                className="fill-ink stroke-sheet"
                strokeWidth={0.8}
              />
            ))}
          </g>
          <path
            d={`M${x(aim.direction) - 9} ${y(aim.startSpeed)}h18M${x(aim.direction)} ${y(aim.startSpeed) - 9}v18`}
            className="stroke-line"
            strokeWidth={3}
          />
          {ticks(
            toDegrees(directions[0] - aim.direction),
            toDegrees(directions[1] - aim.direction),
            7,
          ).map((tick) => (
            <text
              key={tick}
              x={x(aim.direction + toRadians(tick))}
              y={high + 18}
              textAnchor="middle"
              className="fill-ink2 text-[0.8125rem]"
            >
              {tick === 0
                ? t('drills.makeMapView.aim')
                : `${Math.abs(tick)}° ${tick < 0 ? 'left' : 'right'}`}
            </text>
          ))}
          {ticks(
            (speeds[0] / aim.startSpeed - 1) * 100,
            (speeds[1] / aim.startSpeed - 1) * 100,
            6,
          ).map((tick) => (
            <text
              key={tick}
              x={LEFT - 8}
              y={Math.max(12, y(aim.startSpeed * (1 + tick / 100)) + 4)}
              textAnchor="end"
              className="fill-ink2 text-[0.8125rem]"
            >
              {tick === 0
                ? t('drills.makeMapView.pace')
                : `${tick > 0 ? '+' : '−'}${Math.abs(tick)} %`}
            </text>
          ))}
          <text
            x={LEFT + width / 2}
            y={HEIGHT - 4}
            textAnchor="middle"
            className="fill-ink2 text-[0.8125rem]"
          >
            {t('drills.makeMapView.startDirectionRelativeToThe')}
          </text>
        </svg>
      )}
    </div>
  );
}

/** Round steps between two numbers, nought among them. */
function ticks(from: number, to: number, about: number): number[] {
  const rough = (to - from) / about;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((one) => one * power).find((one) => one >= rough) ?? rough;
  const first = Math.ceil(from / step);
  const last = Math.floor(to / step);
  return Array.from({ length: last - first + 1 }, (_, i) =>
    Number(((first + i) * step).toFixed(4)),
  );
}

/** Starts drawn from a skill, always the same ones: direction (rad) and share of speed. */
function cloudOf({ direction, speed }: Skill): [angle: number, share: number][] {
  const random = chance(7);
  return Array.from({ length: CLOUD }, () => [
    direction.bias + direction.spread * random.normal(),
    speed.spread * random.normal(),
  ]);
}

/** Inks the holed cells in the theme's blue; the fastest row is at the top. */
function paint(canvas: HTMLCanvasElement, { holed }: MakeMap): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const ink = getComputedStyle(canvas).getPropertyValue('--hole').trim();
  const [red, green, blue] = [1, 3, 5].map((at) => parseInt(ink.slice(at, at + 2), 16));
  const { columns, rows } = SIZE;
  const image = context.createImageData(columns, rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = 4 * ((rows - 1 - row) * columns + column);
      image.data.set([red!, green!, blue!, holed[row * columns + column] ? 110 : 0], at);
    }
  }
  context.putImageData(image, 0, 0);
}
