'use client';

import type { MessageKey, Translate } from '@/words/translate';
import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { useState } from 'react';
import { KIT, type KitId } from '@/core/people';
import { Button } from '@/ui/button';
import type { StudentInput } from './form';
import { FORM_PARTS, valueAt, type FormPart, type Merged } from './form-merge';

/** What another did to a student while a form was open. */
export interface Told extends Merged {
  by: string;
  at: Date;
  theirs: StudentInput;
}

const WORDS: Record<string, MessageKey> = {
  left: 'students.meanwhileNote.leftHanded',
  right: 'students.meanwhileNote.rightHanded',
  arc: 'students.meanwhileNote.slightArc',
  straight: 'students.meanwhileNote.straight',
};

/** What stands in a part, as words. */
function words(t: Translate, theirs: StudentInput, part: FormPart): string {
  const value = valueAt(theirs, part);
  if (typeof value === 'boolean')
    return t(value ? 'students.meanwhileNote.seated' : 'students.meanwhileNote.standing');
  const nothing = t('students.meanwhileNote.nothing');
  if (typeof value === 'string') {
    const key = WORDS[value];
    return key ? t(key) : value || nothing;
  }
  return value.map((id) => KIT[id as KitId].one).join(', ') || nothing;
}

/** Says who changed a student meanwhile, what was taken over, and what both changed: that is the writer's to choose. */
export function MeanwhileNote({ told, take }: { told: Told; take: (part: FormPart) => void }) {
  const t = useTranslations();
  const [took, setTook] = useState<readonly FormPart[]>([]);
  const { by, at, theirs, taken, both } = told;
  return (
    <section
      role="alert"
      aria-label={t('students.meanwhileNote.changedBySomeoneElse')}
      className="grid gap-3 border-[length:var(--stroke)] border-line bg-sheet px-4 py-4"
    >
      <p>
        {t.rich('students.meanwhileNote.changedThisStudentAtWhile', {
          by: by || t('students.meanwhileNote.someone'),
          date: format(at, 'HH:mm'),
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      {taken.length > 0 && (
        <p>
          {t('students.meanwhileNote.updatedHereBecauseOnlyThey', {
            taken: taken
              .map((part) => `${FORM_PARTS[part]} (${words(t, theirs, part)})`)
              .join('; '),
          })}
        </p>
      )}
      {both.map((part) => (
        <div key={part} className="flex flex-wrap items-center justify-between gap-3">
          <p className="max-w-prose">
            {t.rich('students.meanwhileNote.youBothChangedThisTheirs', {
              part: FORM_PARTS[part],
              theirs: words(t, theirs, part),
              q: (chunks) => <q className="whitespace-pre-wrap">{chunks}</q>,
            })}
          </p>
          <Button
            disabled={took.includes(part)}
            onClick={() => {
              take(part);
              setTook([...took, part]);
            }}
          >
            {took.includes(part)
              ? t('students.meanwhileNote.usingTheirs')
              : t('students.meanwhileNote.useTheirs')}
          </Button>
        </div>
      ))}
      <p>{t('students.meanwhileNote.checkTheFormThenSave')}</p>
    </section>
  );
}
