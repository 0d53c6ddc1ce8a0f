'use client';

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

const COUNT_WORDS: Record<Counts, string> = {
  all: 'everything logged',
  gate: 'the gates',
  hole: 'the hole',
  zone: 'the zone',
};

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

const words = <T extends string>(values: readonly T[], say?: (value: T) => string) =>
  values.map((value) => ({ value, label: say ? say(value) : value }));

/** What a drill is for, how it is done and when it is done with. */
export function WordsPanel({ editing }: { editing: Editing }) {
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
    <section className="grid max-w-3xl gap-6 px-4 py-5 md:px-7" aria-label="Description">
      <TextField label="Purpose" maxLength={300} {...text('purpose')} />
      <Several
        label="Skills trained"
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
          label="What counts as a pass"
          value={layout.counts}
          onChange={(counts) => tryLayout({ ...layout, counts }, 'counts')}
          options={words(COUNTS, (one) => COUNT_WORDS[one])}
        />
        <p className="text-[1rem]">
          <strong>Done:</strong> {ruleWords(details.rule)}. At most {details.cap.putts} putts or{' '}
          {details.cap.minutes} minutes.
        </p>
      </div>
      <NotesField label="Steps, one per line" {...list('steps')} />
      <TextField label="How to judge" maxLength={300} {...text('judge')} />
      <TextField label="Dose" maxLength={200} {...text('dose')} />
      <div className="grid gap-5 sm:grid-cols-2">
        <NotesField label="When to use it" rows={3} maxLength={400} {...text('when')} />
        <NotesField label="When not to use it" rows={3} maxLength={400} {...text('whenNot')} />
      </div>
      <NotesField label="Common errors, one per line" rows={3} {...list('errors')} />
      <NotesField
        label="Extra cautions, one per line"
        hint="The elements’ own cautions are added automatically."
        rows={2}
        {...list('cautions')}
      />
      <Several label="Misses it helps" options={words(missNames())} {...several('misses')} />
      <Several label="Misses it makes worse" options={words(missNames())} {...several('avoid')} />
      <Several
        label="Places"
        options={words(PLACES, (one) => PLACE_WORDS[one])}
        {...several('places')}
      />
      <Several label="Levels" options={words(LEVELS)} {...several('levels')} />
      <div className="flex flex-wrap gap-6">
        <Choice
          label="Stroke type"
          value={details.school}
          onChange={(school) => changeDetails({ school }, 'school')}
          options={[
            { value: 'any', label: 'either' },
            { value: 'arc', label: 'arc' },
            { value: 'straight', label: 'straight' },
          ]}
        />
        <Choice
          label="From a chair"
          value={details.seated}
          onChange={(seated) => changeDetails({ seated }, 'seated')}
          options={[
            { value: 'yes', label: 'as designed' },
            { value: 'adapted', label: 'adapted' },
            { value: 'no', label: 'no' },
          ]}
        />
      </div>
    </section>
  );
}
