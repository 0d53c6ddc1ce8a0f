'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
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
  const t = useTranslations();
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
      <section className="grid gap-4" aria-label={t('drills.whatIf.comparison')}>
        <div className="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[1fr_150px_auto]">
          <Pick
            label={t('drills.whatIf.whatIfPace')}
            placeholder={t('drills.whatIf.chooseAPace')}
            options={PACES.map(({ id, name, past: run }) => ({
              value: id,
              label: name,
              detail: roughLength(run(putt.distance), units),
            }))}
            value={pace}
            onChange={(next) => setPace(next as PaceId)}
          />
          <TextField
            label={t('drills.whatIf.whatIfGreenSpeed')}
            value={speed}
            onChange={({ target }) => setSpeed(target.value)}
            error={greenSpeed.error?.issues[0]?.message}
          />
          {sloped && (
            <Choice
              label={t('drills.whatIf.puttFrom')}
              value={turned ? 'other' : 'same'}
              onChange={(next) => setTurned(next === 'other')}
              options={[
                { value: 'same', label: t('drills.whatIf.thisSide') },
                { value: 'other', label: isUphill(putt) ? 'above' : 'below' },
              ]}
            />
          )}
        </div>
        {there && other ? (
          <>
            <p className="text-[1.125rem]">{difference(t, here, there)}</p>
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
                  {t.rich('drills.whatIf.asDesigned', {
                    span: (chunks) => (
                      <span aria-hidden className="font-[700]">
                        {chunks}
                      </span>
                    ),
                  })}
                </span>
                <span className="text-hole">
                  {t.rich('drills.whatIf.whatIf', {
                    span: (chunks) => (
                      <span aria-hidden className="font-[700]">
                        {chunks}
                      </span>
                    ),
                  })}
                </span>
              </figcaption>
            </figure>
            <Comparison here={here} there={there} putt={putt} other={other} units={units} />
          </>
        ) : (
          <p className="text-ink2">
            {other ? t('drills.whatIf.aBallAtThatPace') : t('drills.whatIf.enterAValidGreenSpeed')}
          </p>
        )}
      </section>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label={t('drills.whatIf.paceAndTheHole')}>
          <h2 className="mb-1 cap">{t('drills.whatIf.usableHoleWidthByPace')}</h2>
          <ShareTable putt={putt} units={units} />
        </section>
        <section aria-label={t('drills.whatIf.greenSpeedErrors')}>
          <h2 className="mb-1 cap">{t('drills.whatIf.effectOfAWrongGreen')}</h2>
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
function difference(t: Translate, here: MakeWindow, there: MakeWindow): string {
  const faster = Math.round((there.aim.startSpeed / here.aim.startSpeed - 1) * 100);
  const start =
    faster === 0
      ? t('drills.whatIf.itStartsAtTheSame')
      : t('drills.whatIf.itStartsFaster', {
          share: Math.abs(faster),
          isFaster: String(faster > 0),
        });
  const [was, is] = [here, there].map(({ aim }) => Math.abs(aim.cups)) as [number, number];
  const breaks =
    Math.abs(is - was) < 0.05
      ? t('drills.whatIf.breaksTheSame')
      : t('drills.whatIf.breaksCupsLess', {
          cups: Math.abs(is - was).toFixed(1),
          isLess: String(is < was),
        });
  const window = (there.left + there.right) / (here.left + here.right);
  const ease =
    Math.abs(window - 1) < 0.02
      ? t('drills.whatIf.theStartLineWindowStays')
      : t('drills.whatIf.theStartLineWindowIs', {
          share: Math.round(Math.abs(window - 1) * 100),
          isWider: String(window > 1),
        });
  return t('drills.whatIf.and', { start, breaks, ease });
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
  const t = useTranslations();
  const both = [
    { window: here, putt },
    { window: there, putt: other },
  ];
  const percent = (window: MakeWindow, speed: number) =>
    `${((speed / window.aim.startSpeed - 1) * 100).toFixed(1).replace('-', '−')} %`;
  const rows: [string, (one: (typeof both)[number]) => string][] = [
    [t('drills.whatIf.pacePastTheHole'), (one) => roughLength(one.putt.past, units)],
    [t('drills.whatIf.startSpeed'), ({ window }) => `${window.aim.startSpeed.toFixed(2)} m/s`],
    ['aim', ({ window }) => besideWords(window.aim.beside, units)],
    ['breaks', ({ window }) => breakWords(window.aim.cups)],
    [
      t('drills.whatIf.greatestDistanceFromTheLine'),
      ({ window }) => roughLength(Math.abs(window.aim.highest.across), units),
    ],
    [
      'start-line tolerance',
      ({ window }) =>
        t('drills.whatIf.leftRight', {
          left: showDegrees(window.left),
          right: showDegrees(window.right),
        }),
    ],
    [
      'start-speed tolerance',
      ({ window }) =>
        t('drills.whatIf.to', {
          window: percent(window, window.slowest),
          window2: percent(window, window.fastest),
        }),
    ],
    [
      t('drills.whatIf.usableHoleWidth'),
      ({ window }) => `${Math.round(window.shareOfHole * 100)} %`,
    ],
  ];
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">{t('drills.whatIf.asDesignedComparedWithWhat')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <td className="py-1.5 font-[inherit]" />
          <ColumnHead className="pl-4 text-right">{t('drills.whatIf.asDesigned2')}</ColumnHead>
          <ColumnHead className="pl-4 text-right">{t('drills.whatIf.whatIf2')}</ColumnHead>
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
  const t = useTranslations();
  const deceleration = rollingDeceleration(putt.greenSpeed);
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">{t('drills.whatIf.usableHoleWidthByPace')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead>{t('drills.whatIf.pastTheHole')}</ColumnHead>
          <ColumnHead className="pl-4">
            {t.rich('drills.whatIf.usableHoleWidthThatIs', {
              term: (chunks) => <Term name="usable hole width">{chunks}</Term>,
            })}
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
                    {speed < DROP_SPEED ? `${share} %` : t('drills.whatIf.skipsOverTheHole')}
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
