'use client';

import { useTranslations } from 'next-intl';
import { Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import {
  FALLS,
  FLAT,
  GRADE_RANGE,
  GREEN_SPEED_RANGE,
  MOST_TIERS,
  PACES,
  PAST_RANGE,
  PUTT_RANGE,
  aimFor,
  breakWords,
  fallsSchema,
  paceOf,
  parseBreak,
  slopeForBreak,
  typedFalls,
  type PaceId,
  type Putt,
  type Slope,
} from '@/core/green';
import { gradeSchema, roughLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { LengthInput, ParsedInput, type Wrong } from '@/ui/parsed-input';
import { Pick } from '@/ui/pick';
import type { GreenOption } from '../greens/options';
import { greenValue } from '../greens/value';
import type { Editing } from './editing';

/** Stands for a putt whose speed and slope are not from a reading. */
const BY_HAND = 'by hand';
const LEFT = -Math.PI / 2;
/** Stands for a pace that is no school's. */
const OWN = 'own';

const typedGrade = (grade: number): string => `${Number((grade * 100).toFixed(2))} %`;

/** Reading the putt: where it lies, how far, how it falls, how hard. */
export function PuttPanel({ editing, greens }: { editing: Editing; greens: GreenOption[] }) {
  const t = useTranslations();
  const { draft, units, tryLayout, onWrong } = editing;
  const { layout } = draft;
  const { putt, read } = layout;
  const list = useId();
  // Kept while the green is level, so that a slope typed next falls where it was said.
  const [falls, setFalls] = useState(putt.slope.grade === 0 ? LEFT : putt.slope.falls);
  const [ownPace, setOwnPace] = useState(() => paceOf(putt.past, putt.distance) === null);
  const way = putt.slope.grade === 0 ? falls : putt.slope.falls;
  const withPutt = (changes: Partial<Putt>, of: string, byHand = false) => {
    const { read: known, ...rest } = layout;
    const next = { ...rest, putt: { ...putt, ...changes } };
    return tryLayout(byHand || !known ? next : { ...next, read: known }, of);
  };
  const sloped = (grade: number, to: number): Slope => (grade === 0 ? FLAT : { grade, falls: to });
  const stand = (value: string) => {
    const option = greens.find((one) => one.value === value);
    if (!option?.read) return withPutt({}, 'green', true);
    const { greenSpeed, slope } = option.current;
    return tryLayout(
      {
        ...layout,
        read: option.read,
        putt: { ...putt, greenSpeed, ...(slope && { slope, tiers: [] }) },
      },
      'green',
    );
  };
  const pace = ownPace ? OWN : (paceOf(putt.past, putt.distance) ?? OWN);
  return (
    <>
      {greens.length > 0 && (
        <Pick
          label={t('drills.puttPanel.green')}
          placeholder={t('drills.puttPanel.chooseAGreen')}
          options={[
            { value: BY_HAND, label: t('drills.puttPanel.noGreenUseTheValues') },
            ...greens,
          ]}
          value={read ? greenValue(read.greenId, read.spotId) : BY_HAND}
          onChange={stand}
        />
      )}
      <div className="grid grid-cols-2 gap-x-6 gap-y-2.5">
        <LengthInput
          name="putt"
          label={t('drills.puttPanel.putt')}
          what={t('drills.puttPanel.aPutt')}
          kind="putt"
          {...PUTT_RANGE}
          units={units}
          value={putt.distance}
          onValue={(distance) => {
            const school = PACES.find(({ id }) => id === pace);
            return withPutt({ distance, ...(school && { past: school.past(distance) }) }, 'putt');
          }}
          onWrong={onWrong}
        />
        <LengthInput
          name="green speed"
          label={t('drills.puttPanel.greenSpeed')}
          what={t('drills.puttPanel.aGreenSpeed')}
          kind="speed"
          {...GREEN_SPEED_RANGE}
          units={units}
          value={putt.greenSpeed}
          onValue={(greenSpeed) =>
            withPutt({ greenSpeed }, t('drills.puttPanel.greenSpeed2'), true)
          }
          onWrong={onWrong}
        />
        <ParsedInput
          name="slope"
          label={t('drills.puttPanel.slope')}
          value={putt.slope.grade}
          show={typedGrade}
          schema={gradeSchema(GRADE_RANGE.max)}
          onValue={(grade) => withPutt({ slope: sloped(grade, way) }, 'slope', true)}
          onWrong={onWrong}
        />
        <ParsedInput
          name="falls"
          label={t('drills.puttPanel.fallDirection')}
          list={list}
          value={way}
          show={typedFalls}
          schema={fallsSchema}
          onValue={(to) => {
            setFalls(to);
            return putt.slope.grade === 0
              ? null
              : withPutt({ slope: sloped(putt.slope.grade, to) }, 'falls', true);
          }}
          onWrong={onWrong}
        />
        <datalist id={list}>
          {FALLS.map(({ name }) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      </div>
      {putt.tiers.length === 0 && (
        <BreakField
          putt={putt}
          onSlope={(slope) => withPutt({ slope }, 'break', true)}
          onWrong={onWrong}
        />
      )}
      <Tiers
        putt={putt}
        list={list}
        units={units}
        onTiers={(tiers) => withPutt({ tiers }, 'tiers', true)}
        onWrong={onWrong}
      />
      <div className="grid grid-cols-2 items-end gap-x-6">
        <Pick
          label={t('drills.puttPanel.pace')}
          placeholder={t('drills.puttPanel.chooseAPace')}
          options={[
            ...PACES.map(({ id, name, past }) => ({
              value: id as string,
              label: name,
              detail: roughLength(past(putt.distance), units),
            })),
            { value: OWN, label: 'custom' },
          ]}
          value={pace}
          onChange={(next) => {
            setOwnPace(next === OWN);
            const school = PACES.find(({ id }) => id === (next as PaceId));
            if (school) withPutt({ past: school.past(putt.distance) }, 'pace');
          }}
        />
        {pace === OWN ? (
          <LengthInput
            name="past"
            label={t('drills.puttPanel.pastTheHole')}
            what={t('drills.puttPanel.aRunPastTheHole')}
            kind="along"
            {...PAST_RANGE}
            units={units}
            value={putt.past}
            onValue={(past) => withPutt({ past }, 'past')}
            onWrong={onWrong}
          />
        ) : (
          <p className="pb-3 text-[0.9375rem] text-ink2">
            {t('drills.puttPanel.past', { past: roughLength(putt.past, units) })}
          </p>
        )}
      </div>
    </>
  );
}

/** Where the green begins to lie otherwise. */
function Tiers({
  putt,
  list,
  units,
  onTiers,
  onWrong,
}: {
  putt: Putt;
  list: string;
  units: UnitPreferences;
  onTiers: (tiers: Putt['tiers']) => string | null;
  onWrong: Wrong;
}) {
  const t = useTranslations();
  const { tiers, distance } = putt;
  const changed = (index: number, change: Partial<Putt['tiers'][number]>) =>
    onTiers(tiers.map((tier, at) => (at === index ? { ...tier, ...change } : tier)));
  return (
    <>
      {tiers.map(({ from, slope }, index) => (
        <fieldset
          key={index}
          className="grid grid-cols-[1fr_1fr_1.2fr_auto] items-end gap-x-3 border-l-4 border-rule pl-3"
        >
          <legend className="sr-only">{t('drills.puttPanel.tier', { index: index + 1 })}</legend>
          <LengthInput
            name={`tier ${index} from`}
            label={t('drills.puttPanel.tierStart')}
            what={t('drills.puttPanel.aTier')}
            kind="along"
            min={0.1}
            max={PUTT_RANGE.max}
            units={units}
            value={from}
            onValue={(next) => changed(index, { from: next })}
            onWrong={onWrong}
          />
          <ParsedInput
            name={`tier ${index} slope`}
            label={t('drills.puttPanel.slope')}
            value={slope.grade}
            show={typedGrade}
            schema={gradeSchema(GRADE_RANGE.max)}
            onValue={(grade) => changed(index, { slope: { ...slope, grade } })}
            onWrong={onWrong}
          />
          <ParsedInput
            name={`tier ${index} falls`}
            label={t('drills.puttPanel.fallDirection')}
            list={list}
            value={slope.falls}
            show={typedFalls}
            schema={fallsSchema}
            onValue={(falls) => changed(index, { slope: { ...slope, falls } })}
            onWrong={onWrong}
          />
          <Button
            aria-label={t('drills.puttPanel.removeTier', { index: index + 1 })}
            className="px-2"
            onClick={() => onTiers(tiers.filter((_, at) => at !== index))}
          >
            <Trash2 size={16} aria-hidden />
          </Button>
        </fieldset>
      ))}
      {tiers.length < MOST_TIERS && (
        <button
          type="button"
          className="min-h-11 justify-self-start text-[0.9375rem] underline underline-offset-4"
          onClick={() =>
            onTiers([
              ...tiers,
              {
                from: distance * (tiers.length ? 0.8 : 0.5),
                slope: { grade: 0.02, falls: Math.PI },
              },
            ])
          }
        >
          {t('drills.puttPanel.addTierOrStep')}
        </button>
      )}
    </>
  );
}

/** The break as coaches say it; typing one sets the slope that makes it. */
function BreakField({
  putt,
  onSlope,
  onWrong,
}: {
  putt: Putt;
  onSlope: (slope: Slope) => string | null;
  onWrong: Wrong;
}) {
  const t = useTranslations();
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string>();
  const said = breakWords(aimFor(putt).cups);
  const read = (text: string) => {
    setTyped(text);
    const wanted = parseBreak(text);
    if (!wanted) {
      return setError(t('drills.puttPanel.isNotABreakMeasure', { text: text.slice(0, 24) }));
    }
    try {
      setError(onSlope(slopeForBreak(putt, wanted.cups, wanted.towards)) ?? undefined);
    } catch (problem) {
      if (!(problem instanceof RangeError)) throw problem;
      setError(problem.message);
    }
  };
  return (
    <TextField
      label={t('drills.puttPanel.break')}
      value={typed ?? said}
      onChange={({ target }) => read(target.value)}
      onBlur={() => {
        // What could not be read changes nothing, so it need not stand.
        setTyped(null);
        setError(undefined);
        onWrong('breaks', null);
      }}
      error={error}
    />
  );
}
