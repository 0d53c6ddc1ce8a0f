'use client';

import type { MessageKey } from '@/words/translate';
import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import clsx from 'clsx';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { clearShare, gapForShare } from '@/core/scoring';
import { PUTT_RANGE } from '@/core/green';
import {
  MOST_RUNGS,
  elementOf,
  ladderElement,
  ladderWays,
  makeLadder,
  onRung,
  rungStrictness,
  standing,
  type Ladder,
  type LadderBy,
  type Layout,
  type Rung,
} from '@/core/layout';
import { INCH, settable, type LengthKind, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { ColumnHead } from '@/ui/column-head';
import { Choice } from '@/ui/choice';
import { LengthInput } from '@/ui/parsed-input';
import type { KnownStart } from './actions';
import { refusal } from './draft';
import { strictnessOfRung } from './rung-words';
import type { Editing } from './editing';
import { Term } from '../shared/term';

const WAYS = {
  gap: 'drills.ladderPanel.byGap',
  distance: 'drills.ladderPanel.byDistance',
  putt: 'drills.ladderPanel.byPutt',
} as const satisfies Record<LadderBy, MessageKey>;

/** Rungs of a new ladder. */
const RUNGS = 6;
/** Shares that should clear the first rung and the last. */
const FIRST = 0.9;
const LAST = 0.5;
/** The share a rung of today should clear. */
const TODAY = 0.7;

/** Lengths of rungs as a coach sets them: gaps by the tape, distances by the centimetre or half inch, putts by the half foot. */
const byHand =
  (units: UnitPreferences) =>
  (metres: number, by: LadderBy): number => {
    if (by === 'gap') return settable(metres, units);
    const imperial = units.long === 'imperial';
    const step = by === 'putt' ? (imperial ? 6 * INCH : 0.1) : imperial ? INCH / 2 : 0.01;
    return Math.round(metres / step) * step;
  };

function shareOf(who: KnownStart | null, layout: Layout, rung: Rung): number | null {
  if (!who?.score) return null;
  const id = Object.keys(rung.set)[0];
  const tolerance = standing(onRung(layout, rung))
    .find((element) => element.id === id)
    ?.tolerance();
  return tolerance?.quantity === 'start' ? clearShare(who.score, tolerance) : null;
}

/** The ends of a ladder made for one player, where the ladder closes a ball gate and their start line is known. */
function endsFor(who: KnownStart | null, layout: Layout, by: LadderBy) {
  const piece = layout.elements.find(({ id }) => id === ladderElement(layout));
  if (!who?.score || by !== 'gap' || !piece) return undefined;
  const gate = elementOf(piece.kind).gate?.(piece.params);
  if (!gate) return undefined;
  const strictest = standing(layout)
    .find(({ id }) => id === piece.id)!
    .harder()[0]!.strict;
  const strict = Math.max(strictest, gapForShare(who.score, LAST, gate));
  return { roomy: Math.max(strict + 0.006, gapForShare(who.score, FIRST, gate)), strict };
}

/** From roomy to strict: each rung with its tolerance, and the one for today. */
export function LadderPanel({ editing, who }: { editing: Editing; who: KnownStart | null }) {
  const t = useTranslations();
  const { draft, units, changeDetails, onWrong } = editing;
  const { layout, details } = draft;
  const ways = ladderWays(layout);
  const [by, setBy] = useState<LadderBy>(ways[0]!);
  const way = ways.includes(by) ? by : ways[0]!;
  const rungs = details.ladder.flatMap((rung, index) => {
    try {
      const strictness = rungStrictness(onRung(layout, rung), rung);
      return [{ rung, index, strictness, share: shareOf(who, layout, rung) }];
    } catch {
      // A rung of an element that was taken away, or that the changed layout no longer takes.
      return [];
    }
  });
  const widest = Math.max(...rungs.map(({ strictness }) => strictness.tolerance));
  const known = rungs.filter(({ share }) => share !== null);
  const today = known.toSorted((a, b) => Math.abs(a.share! - TODAY) - Math.abs(b.share! - TODAY))[0]
    ?.index;
  const change = (ladder: Ladder, of: string) => changeDetails({ ladder }, of);
  const changeRung = (index: number, rung: Rung): string | null => {
    const refused = refusalOf(t, layout, rung, units);
    if (refused) return refused;
    change(
      details.ladder.map((one, at) => (at === index ? rung : one)),
      `rung ${index}`,
    );
    return null;
  };
  return (
    <section className="grid gap-5 px-4 py-5 md:px-7" aria-label={t('drills.ladderPanel.ladder')}>
      <div className="flex flex-wrap items-end gap-4">
        <Choice
          label={t('drills.ladderPanel.makeItHarderWith')}
          value={way}
          onChange={setBy}
          options={ways.map((value) => ({ value, label: t(WAYS[value]) }))}
        />
        <Button
          onClick={() =>
            change(
              makeLadder(layout, way, RUNGS, byHand(units), endsFor(who, layout, way)),
              'ladder',
            )
          }
        >
          {who?.score
            ? t('drills.ladderPanel.buildLadderFor', { given: who.name.split(' ')[0] ?? '' })
            : t('drills.ladderPanel.buildLadder')}
        </Button>
      </div>
      {rungs.length === 0 ? (
        <p className="max-w-prose text-[1rem] text-ink2">
          {t('drills.ladderPanel.noRungsYetDirigoBuilds', {
            known: String(!!who?.score),
            given: who?.name.split(' ')[0] ?? '',
          })}
        </p>
      ) : (
        <table className="w-full max-w-3xl text-[1rem]">
          <caption className="sr-only">{t('drills.ladderPanel.rungsOfTheLadder')}</caption>
          <thead>
            <tr className="border-b text-left cap">
              <ColumnHead className="w-10">
                <Term name="rung" />
              </ColumnHead>
              <ColumnHead className="w-36 pr-4">{changes(t, rungs[0]!.rung, layout)}</ColumnHead>
              <ColumnHead>
                <Term name="strictness">{t('drills.ladderPanel.letsThrough')}</Term>
              </ColumnHead>
              <ColumnHead className="text-right">
                {who?.score ? `${who.name.split(' ')[0]} gets through` : ''}
              </ColumnHead>
              <td />
            </tr>
          </thead>
          <tbody>
            {rungs.map(({ rung, index, strictness, share }) => (
              <tr
                key={index}
                className={clsx('border-b border-hair', index === today && 'font-[700] text-line')}
              >
                <td className="py-1.5 num">{index + 1}</td>
                <td className="py-1 pr-4">
                  <RungValue
                    rung={rung}
                    index={index}
                    layout={layout}
                    units={units}
                    onRung={(next) => changeRung(index, next)}
                    onWrong={onWrong}
                  />
                </td>
                <td className="py-1.5">
                  <span className="grid grid-cols-[1fr_86px] items-center gap-3">
                    <span
                      aria-hidden
                      className={clsx('block h-2.5', index === today ? 'bg-line' : 'bg-ink')}
                      style={{ width: `${(100 * strictness.tolerance) / widest}%` }}
                    />
                    <span className="num">{strictnessOfRung(t, strictness, units)}</span>
                  </span>
                </td>
                <td className="py-1.5 text-right num whitespace-nowrap">
                  {share !== null &&
                    t('drills.ladderPanel.in10', { share: (10 * share).toFixed(1) })}
                  {index === today && <span className="ml-2">{t('drills.ladderPanel.today')}</span>}
                </td>
                <td className="w-11 text-right">
                  <Button
                    kind="quiet"
                    className="px-2"
                    aria-label={t('drills.ladderPanel.removeRung', { index: index + 1 })}
                    onClick={() =>
                      change(
                        details.ladder.filter((_, at) => at !== index),
                        'rung removed',
                      )
                    }
                  >
                    <Minus size={16} aria-hidden />
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {rungs.length > 0 && rungs.length < MOST_RUNGS && (
        <Button
          className="justify-self-start"
          onClick={() => change([...details.ladder, details.ladder.at(-1)!], 'rung added')}
        >
          <Plus size={16} aria-hidden /> {t('drills.ladderPanel.addRung')}
        </Button>
      )}
      {who?.score && known.length > 0 && (
        <p className="max-w-prose text-sm text-ink2">
          {t('drills.ladderPanel.todaysRungIsTheOne')} {who.name.split(' ')[0]}{' '}
          {t('drills.ladderPanel.shouldPassClosestTo7', { putts: who.putts })}
        </p>
      )}
    </section>
  );
}

/** What the rungs change, for the head of their column. */
function changes(t: Translate, rung: Rung, { elements }: Layout): string {
  if (rung.putt !== undefined) return t('drills.ladderPanel.putt');
  const [id, numbers] = Object.entries(rung.set)[0] ?? [];
  const piece = elements.find((one) => one.id === id);
  const field = piece && elementOf(piece.kind).fields.find(({ name }) => name in (numbers ?? {}));
  return field?.label.toLowerCase() ?? '';
}

function refusalOf(
  t: Translate,
  layout: Layout,
  rung: Rung,
  units: UnitPreferences,
): string | null {
  try {
    return refusal(onRung(layout, rung), units);
  } catch {
    return t('drills.ladderPanel.thisValueIsOutsideThe');
  }
}

/** The one number a rung changes. */
function RungValue({
  rung,
  index,
  layout,
  units,
  onRung: take,
  onWrong,
}: {
  rung: Rung;
  index: number;
  layout: Layout;
  units: UnitPreferences;
  onRung: (rung: Rung) => string | null;
  onWrong: Editing['onWrong'];
}) {
  const t = useTranslations();
  const shared = { units, onWrong, name: `rung ${index}`, quiet: true };
  if (rung.putt !== undefined) {
    return (
      <LengthInput
        {...shared}
        label={t('drills.ladderPanel.rungPutt', { index: index + 1 })}
        what={t('drills.ladderPanel.aPutt')}
        kind="putt"
        {...PUTT_RANGE}
        value={rung.putt}
        onValue={(putt) => take({ ...rung, putt })}
      />
    );
  }
  const [id, numbers] = Object.entries(rung.set)[0] ?? [];
  const piece = layout.elements.find((one) => one.id === id);
  const [field, value] = Object.entries(numbers ?? {})[0] ?? [];
  const limits = piece && elementOf(piece.kind).fields.find(({ name }) => name === field);
  if (!id || !field || value === undefined || limits?.type !== 'length') return null;
  const kind: LengthKind = limits.kind;
  return (
    <LengthInput
      {...shared}
      label={t('drills.ladderPanel.rung2', {
        index: index + 1,
        limits: limits.label.toLowerCase(),
      })}
      what={limits.what}
      kind={kind}
      min={limits.min}
      max={limits.max}
      value={value}
      onValue={(next) => take({ set: { [id]: { [field]: next } } })}
    />
  );
}
