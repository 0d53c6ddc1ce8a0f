'use client';

import type { MessageKey } from '@/words/translate';
import { useTranslations } from 'next-intl';
import {
  missNames,
  PLACES,
  PLACE_WORDS,
  skills,
  skillWords,
  ruleWords,
  type DrillDetails,
} from '@/core/drill';
import { COUNTS, type Counts } from '@/core/layout';
import { LEVELS } from '@/core/people';
import { Choice } from '@/ui/choice';
import { NotesField, TextField } from '@/ui/field';
import { Several } from '@/ui/several';
import type { Editing } from './editing';
import { RuleFields } from './rule-fields';

const COUNT_WORDS = {
  all: 'drills.wordsPanel.countsAll',
  gate: 'drills.wordsPanel.countsGate',
  hole: 'drills.wordsPanel.countsHole',
  zone: 'drills.wordsPanel.countsZone',
} as const satisfies Record<Counts, MessageKey>;

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

const words = <T extends string>(values: readonly T[], say?: (value: T) => string) =>
  values.map((value) => ({ value, label: say ? say(value) : value }));

/** What a drill is for, how it is done and when it is done with. */
export function WordsPanel({ editing }: { editing: Editing }) {
  const t = useTranslations();
  const { draft, changeDetails, tryLayout } = editing;
  const { details, layout } = draft;
  const text = (
    name: keyof DrillDetails & ('purpose' | 'dose' | 'when' | 'whenNot' | 'judge'),
  ) => ({
    value: details[name],
    onChange: ({ target }: { target: { value: string } }) =>
      changeDetails({ [name]: target.value }, name),
  });
  const list = (name: 'steps' | 'errors' | 'cautions') => ({
    defaultValue: details[name].join('\n'),
    onChange: ({ target }: { target: { value: string } }) =>
      changeDetails({ [name]: lines(target.value) }, name),
  });
  const several = <Name extends 'skills' | 'misses' | 'avoid' | 'levels' | 'places'>(
    name: Name,
  ) => ({
    values: details[name] as readonly string[],
    onChange: (values: string[]) => changeDetails({ [name]: values } as never, name),
  });
  return (
    <section
      className="grid max-w-3xl gap-6 px-4 py-5 md:px-7"
      aria-label={t('drills.wordsPanel.description')}
    >
      <TextField label={t('drills.wordsPanel.purpose')} maxLength={300} {...text('purpose')} />
      <Several
        label={t('drills.wordsPanel.skillsTrained')}
        options={words(skills(), skillWords)}
        {...several('skills')}
      />
      <div className="grid gap-5 border-y border-rule py-5">
        <RuleFields
          rule={details.rule}
          cap={details.cap}
          onRule={(rule) => changeDetails({ rule }, 'rule')}
          onCap={(cap) => changeDetails({ cap }, 'cap')}
          onWrong={editing.onWrong}
        />
        <Choice
          label={t('drills.wordsPanel.whatCountsAsAPass')}
          value={layout.counts}
          onChange={(counts) => tryLayout({ ...layout, counts }, 'counts')}
          options={words(COUNTS, (one) => t(COUNT_WORDS[one]))}
        />
        <p className="text-[1rem]">
          {t.rich('drills.wordsPanel.doneAtMostPuttsOr', {
            rule: ruleWords(details.rule),
            putts: details.cap.putts,
            minutes: details.cap.minutes,
            strong: (chunks) => <strong>{chunks}</strong>,
          })}
        </p>
      </div>
      <NotesField label={t('drills.wordsPanel.stepsOnePerLine')} {...list('steps')} />
      <TextField label={t('drills.wordsPanel.howToJudge')} maxLength={300} {...text('judge')} />
      <TextField label={t('drills.wordsPanel.dose')} maxLength={200} {...text('dose')} />
      <div className="grid gap-5 sm:grid-cols-2">
        <NotesField
          label={t('drills.wordsPanel.whenToUseIt')}
          rows={3}
          maxLength={400}
          {...text('when')}
        />
        <NotesField
          label={t('drills.wordsPanel.whenNotToUseIt')}
          rows={3}
          maxLength={400}
          {...text('whenNot')}
        />
      </div>
      <NotesField
        label={t('drills.wordsPanel.commonErrorsOnePerLine')}
        rows={3}
        {...list('errors')}
      />
      <NotesField
        label={t('drills.wordsPanel.extraCautionsOnePerLine')}
        hint={t('drills.wordsPanel.theElementsOwnCautionsAre')}
        rows={2}
        {...list('cautions')}
      />
      <Several
        label={t('drills.wordsPanel.missesItHelps')}
        options={words(missNames())}
        {...several('misses')}
      />
      <Several
        label={t('drills.wordsPanel.missesItMakesWorse')}
        options={words(missNames())}
        {...several('avoid')}
      />
      <Several
        label={t('drills.wordsPanel.places')}
        options={words(PLACES, (one) => PLACE_WORDS[one])}
        {...several('places')}
      />
      <Several
        label={t('drills.wordsPanel.levels')}
        options={words(LEVELS)}
        {...several('levels')}
      />
      <div className="flex flex-wrap gap-6">
        <Choice
          label={t('drills.wordsPanel.strokeType')}
          value={details.school}
          onChange={(school) => changeDetails({ school }, 'school')}
          options={[
            { value: 'any', label: 'either' },
            { value: 'arc', label: 'arc' },
            { value: 'straight', label: 'straight' },
          ]}
        />
        <Choice
          label={t('drills.wordsPanel.fromAChair')}
          value={details.seated}
          onChange={(seated) => changeDetails({ seated }, 'seated')}
          options={[
            { value: 'yes', label: t('drills.wordsPanel.asDesigned') },
            { value: 'adapted', label: 'adapted' },
            { value: 'no', label: 'no' },
          ]}
        />
      </div>
    </section>
  );
}
