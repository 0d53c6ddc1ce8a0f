'use client';

import { useTranslations } from 'next-intl';
import { PLACES, PLACE_WORDS, skills, skillWords } from '@/core/drill';
import { KIT, KIT_IDS } from '@/core/people';
import type { PlanFrame } from '@/core/planning';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { Several } from '@/ui/several';

/** A student that a plan can be for. */
export interface PlanStudent {
  value: string;
  label: string;
  kit: PlanFrame['kit'];
}

const LENGTHS = [30, 45, 60, 75, 90] as const;

/** Who, how long, where, what for and with what. */
export function FrameFields({
  frame,
  students,
  errors,
  onChange,
}: {
  frame: PlanFrame;
  students: PlanStudent[];
  errors: Record<string, string>;
  onChange: (changes: Partial<PlanFrame>) => void;
}) {
  const t = useTranslations();
  return (
    <div className="grid gap-5">
      <Several
        label={t('programme.frameFields.students')}
        options={students}
        values={frame.studentIds}
        onChange={(studentIds) => onChange({ studentIds })}
      />
      {errors.studentIds && (
        <p role="alert" className="-mt-3 text-sm font-[560] text-line">
          ▲ {errors.studentIds}
        </p>
      )}
      <Choice
        label={t('programme.frameFields.minutes')}
        value={String(frame.minutes)}
        onChange={(minutes) => onChange({ minutes: Number(minutes) })}
        options={LENGTHS.map((minutes) => ({ value: String(minutes), label: String(minutes) }))}
      />
      <TextField
        label={t('programme.frameFields.otherLengthInMinutes')}
        type="number"
        inputMode="numeric"
        min={10}
        max={180}
        value={Number.isNaN(frame.minutes) ? '' : frame.minutes}
        onChange={({ target }) => onChange({ minutes: target.valueAsNumber })}
        error={errors.minutes}
        className="max-w-28"
      />
      <Pick
        label={t('programme.frameFields.place')}
        placeholder={t('programme.frameFields.chooseAPlace')}
        options={PLACES.map((place) => ({ value: place, label: PLACE_WORDS[place] }))}
        value={frame.place}
        onChange={(place) => onChange({ place: place as PlanFrame['place'] })}
      />
      <Several
        label={t('programme.frameFields.focusLeaveEmptyAndDirigo')}
        options={skills().map((skill) => ({ value: skill, label: skillWords(skill) }))}
        values={frame.goals}
        onChange={(goals) => onChange({ goals })}
      />
      <details className="border-t border-rule pt-3">
        <summary className="cursor-pointer cap">
          {t('programme.frameFields.kitAvailableOf', {
            kit: frame.kit.length,
            all: KIT_IDS.length,
          })}
        </summary>
        <div className="mt-3">
          <Several
            label={t('programme.frameFields.kitAvailable')}
            options={KIT_IDS.map((item) => ({ value: item, label: KIT[item].many }))}
            values={frame.kit}
            onChange={(kit) => onChange({ kit })}
          />
        </div>
      </details>
      <TextField
        label={t('programme.frameFields.planName')}
        value={frame.name}
        onChange={({ target }) => onChange({ name: target.value })}
        error={errors.name}
      />
    </div>
  );
}
