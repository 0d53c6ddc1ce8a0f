'use client';

import { useMemo, useState } from 'react';
import {
  DROP_SPEED,
  GREEN_SPEED_RANGE,
  PACES,
  breakWords,
  captureHalfWidth,
  HOLE_RADIUS,
  makeWindow,
  paceOf,
  paceSpeed,
  rollingDeceleration,
  type MakeWindow,
  type PaceId,
  type Putt,
} from '@/core/green';
import { otherRoll, type Layout } from '@/core/layout';
import {
  bareUnit,
  lengthSchema,
  roughLength,
  showDegrees,
  showLength,
  type UnitPreferences,
} from '@/core/units';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { WrongSpeed, besideWords } from '../greens/wrong-speed';
import { LayoutDrawing } from './layout-drawing';
import { Term } from '../shared/term';
import { ColumnHead } from '@/ui/column-head';

/** The same putt otherwise: another pace, another green, from the other side; and what that changes. */
export function WhatIf({ layout, units }: { layout: Layout; units: UnitPreferences }) {
  const { putt } = layout;
  const [pace, setPace] = useState<PaceId>(
    paceOf(putt.past, putt.distance) === 'dies' ? 'rolls' : 'dies',
  );
  const [speed, setSpeed] = useState(() => showLength(putt.greenSpeed, 'speed', units));
  const sloped = Math.abs(Math.cos(putt.slope.falls)) > 0.05 && putt.slope.grade > 0;
  const [turned, setTurned] = useState(false);
  const greenSpeed = lengthSchema({
    what: 'A green speed',
    bare: bareUnit('speed', units),
    own: units.own,
    ...GREEN_SPEED_RANGE,
  }).safeParse(speed);
  const past = PACES.find(({ id }) => id === pace)!.past(putt.distance);
  const other = useMemo((): Putt | null => {
    if (!greenSpeed.success) return null;
    const { grade, falls } = putt.slope;
    // Uphill seen in a mirror that stands across the line: downhill, breaking to the same side.
    const slope =
      turned && sloped
        ? { grade, falls: Math.sign(falls || 1) * (Math.PI - Math.abs(falls)) }
        : putt.slope;
    return { ...putt, past, greenSpeed: greenSpeed.data, slope };
  }, [putt, past, greenSpeed.success, greenSpeed.data, turned, sloped]);
  const here = makeWindow(putt);
  const there = other && windowOrNull(other);
  return (
    <div className="grid gap-6 px-4 py-5 md:px-7">
      <section className="grid gap-4" aria-label="Comparison">
        <div className="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[1fr_150px_auto]">
          <Pick
            label="What-if pace"
            placeholder="Choose a pace"
            options={PACES.map(({ id, name, past: run }) => ({
              value: id,
              label: name,
              detail: roughLength(run(putt.distance), units),
            }))}
            value={pace}
            onChange={(next) => setPace(next as PaceId)}
          />
          <TextField
            label="What-if green speed"
            value={speed}
            onChange={({ target }) => setSpeed(target.value)}
            error={greenSpeed.error?.issues[0]?.message}
          />
          {sloped && (
            <Choice
              label="Putt from"
              value={turned ? 'other' : 'same'}
              onChange={(next) => setTurned(next === 'other')}
              options={[
                { value: 'same', label: 'this side' },
                { value: 'other', label: isUphill(putt) ? 'above' : 'below' },
              ]}
            />
          )}
        </div>
        {there && other ? (
          <>
            <p className="text-[1.125rem]">{difference(here, there)}</p>
            <figure className="min-w-0 border border-ink">
              <div className="h-[380px] max-md:h-[300px]">
                <LayoutDrawing
                  layout={layout}
                  units={units}
                  lie="along"
                  brief
                  more={[otherRoll(other)]}
                />
              </div>
              <figcaption className="flex flex-wrap gap-x-6 gap-y-1 border-t border-ink px-3 py-1.5 text-[0.9375rem]">
                <span>
                  <span aria-hidden className="font-[700]">
                    ━━
                  </span>{' '}
                  as designed
                </span>
                <span className="text-hole">
                  <span aria-hidden className="font-[700]">
                    ╍╍
                  </span>{' '}
                  what if
                </span>
              </figcaption>
            </figure>
            <Comparison here={here} there={there} putt={putt} other={other} units={units} />
          </>
        ) : (
          <p className="text-ink2">
            {other
              ? 'A ball at that pace would not stop there.'
              : 'Enter a valid green speed to compare.'}
          </p>
        )}
      </section>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Pace and the hole">
          <h2 className="mb-1 cap">Usable hole width by pace</h2>
          <ShareTable putt={putt} units={units} />
        </section>
        <section aria-label="Green speed errors">
          <h2 className="mb-1 cap">Effect of a wrong green speed</h2>
          <WrongSpeed putt={putt} units={units} />
        </section>
      </div>
    </div>
  );
}

const isUphill = ({ slope }: Putt): boolean => Math.cos(slope.falls) < 0;

function windowOrNull(putt: Putt): MakeWindow | null {
  try {
    return makeWindow(putt);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The difference in one sentence: how much faster it starts, how much less it breaks, how much easier it is. */
function difference(here: MakeWindow, there: MakeWindow): string {
  const faster = Math.round((there.aim.startSpeed / here.aim.startSpeed - 1) * 100);
  const start =
    faster === 0
      ? 'It starts at the same speed'
      : `It starts ${Math.abs(faster)} % ${faster > 0 ? 'faster' : 'slower'}`;
  const [was, is] = [here, there].map(({ aim }) => Math.abs(aim.cups)) as [number, number];
  const breaks =
    Math.abs(is - was) < 0.05
      ? 'breaks the same'
      : `breaks ${Math.abs(is - was).toFixed(1)} cups ${is < was ? 'less' : 'more'}`;
  const window = (there.left + there.right) / (here.left + here.right);
  const ease =
    Math.abs(window - 1) < 0.02
      ? 'the start-line window stays the same'
      : `the start-line window is ${Math.round(Math.abs(window - 1) * 100)} % ${window > 1 ? 'wider' : 'narrower'}`;
  return `${start}, ${breaks}, and ${ease}.`;
}

function Comparison({
  here,
  there,
  putt,
  other,
  units,
}: {
  here: MakeWindow;
  there: MakeWindow;
  putt: Putt;
  other: Putt;
  units: UnitPreferences;
}) {
  const both = [
    { window: here, putt },
    { window: there, putt: other },
  ];
  const percent = (window: MakeWindow, speed: number) =>
    `${((speed / window.aim.startSpeed - 1) * 100).toFixed(1).replace('-', '−')} %`;
  const rows: [string, (one: (typeof both)[number]) => string][] = [
    ['pace past the hole', (one) => roughLength(one.putt.past, units)],
    ['start speed', ({ window }) => `${window.aim.startSpeed.toFixed(2)} m/s`],
    ['aim', ({ window }) => besideWords(window.aim.beside, units)],
    ['breaks', ({ window }) => breakWords(window.aim.cups)],
    [
      'greatest distance from the line',
      ({ window }) => roughLength(Math.abs(window.aim.highest.across), units),
    ],
    [
      'start-line tolerance',
      ({ window }) => `${showDegrees(window.left)} left, ${showDegrees(window.right)} right`,
    ],
    [
      'start-speed tolerance',
      ({ window }) => `${percent(window, window.slowest)} to +${percent(window, window.fastest)}`,
    ],
    ['usable hole width', ({ window }) => `${Math.round(window.shareOfHole * 100)} %`],
  ];
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">As designed compared with what if</caption>
      <thead>
        <tr className="border-b text-left cap">
          <td className="py-1.5 font-[inherit]" />
          <ColumnHead className="pl-4 text-right">as designed</ColumnHead>
          <ColumnHead className="pl-4 text-right">what if</ColumnHead>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, tell]) => (
          <tr key={name} className="border-b border-hair">
            <td className="py-1.5">{name}</td>
            {both.map((one, index) => (
              <td key={index} className="py-1.5 pl-4 text-right num">
                {tell(one)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Runs past the hole that coaches speak of, m. */
const RUNS = [0.08, 0.15, 0.3, 0.45, 0.6, 0.9, 1.2, 1.8];

function ShareTable({ putt, units }: { putt: Putt; units: UnitPreferences }) {
  const deceleration = rollingDeceleration(putt.greenSpeed);
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">Usable hole width by pace</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead>past the hole</ColumnHead>
          <ColumnHead className="pl-4">
            <Term name="usable hole width">usable hole width</Term> that is left
          </ColumnHead>
        </tr>
      </thead>
      <tbody>
        {RUNS.map((past) => {
          const speed = paceSpeed(past, deceleration);
          const share = Math.round((captureHalfWidth(speed) / HOLE_RADIUS) * 100);
          return (
            <tr key={past} className="border-b border-hair">
              <td className="py-1 num whitespace-nowrap">{roughLength(past, units)}</td>
              <td className="py-1 pl-4">
                <span className="grid grid-cols-[1fr_90px] items-center gap-3">
                  <span
                    className="block h-2.5 bg-hole"
                    style={{ width: `${share}%` }}
                    aria-hidden
                  />
                  <span className="num">
                    {speed < DROP_SPEED ? `${share} %` : 'skips over the hole'}
                  </span>
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
