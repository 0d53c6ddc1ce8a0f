'use client';

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

const WORDS: Record<string, string> = {
  left: 'left-handed',
  right: 'right-handed',
  arc: 'slight arc',
  straight: 'straight back and through',
};

/** What stands in a part, as words. */
function words(theirs: StudentInput, part: FormPart): string {
  const value = valueAt(theirs, part);
  if (typeof value === 'boolean') return value ? 'seated' : 'standing';
  if (typeof value === 'string') return value === '' ? 'nothing' : (WORDS[value] ?? value);
  return value.map((id) => KIT[id as KitId].one).join(', ') || 'nothing';
}

/** Says who changed a student meanwhile, what was taken over, and what both changed: that is the writer's to choose. */
export function MeanwhileNote({ told, take }: { told: Told; take: (part: FormPart) => void }) {
  const [took, setTook] = useState<readonly FormPart[]>([]);
  const { by, at, theirs, taken, both } = told;
  return (
    <section
      role="alert"
      aria-label="Changed by someone else"
      className="grid gap-3 border-[length:var(--stroke)] border-line bg-sheet px-4 py-4"
    >
      <p>
        <strong>
          {by || 'Someone'} changed this student at {format(at, 'HH:mm')} while you were editing.
        </strong>{' '}
        Your changes are not lost, and nothing is saved yet.
      </p>
      {taken.length > 0 && (
        <p>
          Updated here, because only they changed it:{' '}
          {taken.map((part) => `${FORM_PARTS[part]} (${words(theirs, part)})`).join('; ')}.
        </p>
      )}
      {both.map((part) => (
        <div key={part} className="flex flex-wrap items-center justify-between gap-3">
          <p className="max-w-prose">
            {FORM_PARTS[part]}: you both changed this. Theirs is{' '}
            <q className="whitespace-pre-wrap">{words(theirs, part)}</q>. Yours is below.
          </p>
          <Button
            disabled={took.includes(part)}
            onClick={() => {
              take(part);
              setTook([...took, part]);
            }}
          >
            {took.includes(part) ? 'Using theirs' : 'Use theirs'}
          </Button>
        </div>
      ))}
      <p>Check the form, then save.</p>
    </section>
  );
}
