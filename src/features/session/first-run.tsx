'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import type { Mark } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { Link } from '@/ui/link';
import { SmallLine } from '@/ui/measured-line/small-line';
import { showErrors } from '../shared/show-errors';
import { beginFirst } from './first-run-actions';
import type { FirstGate } from './first-gates';

export interface GateOffered {
  key: FirstGate;
  name: string;
  purpose: string;
  /** What it needs: "2 tees". */
  kit: string;
  marks: Mark[];
}

/** An empty book: who you are, who putts, which gate, and go. A coach has a phone, a putter, two tees and a minute. */
export function FirstRun({
  name: known,
  units,
  gates,
}: {
  name: string;
  /** The long ones as they are usual where this browser is from. */
  units: UnitPreferences;
  gates: GateOffered[];
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  const [name, setName] = useState(known);
  const [long, setLong] = useState(units.long);
  const [who, setWho] = useState<'myself' | 'student'>('myself');
  const [student, setStudent] = useState('');
  const [hand, setHand] = useState<'right' | 'left'>('right');
  const [drill, setDrill] = useState<FirstGate>(gates[0]!.key);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const id = useId();
  const begin = () => {
    if (who === 'student' && student.trim() === '') {
      setErrors({ student: t('session.firstRun.enterTheStudentsName') });
      return;
    }
    run(async () => {
      const result = await beginFirst({
        ...{ name, hand, drill },
        units: long,
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        student: who === 'student' ? student : '',
      });
      if (showErrors(result)) router.push(`/sessions/${result.value}`);
      else if (!result.ok) setErrors(result.fields);
    });
  };
  return (
    <div className="grid max-w-4xl gap-7 px-4 py-6 md:px-7">
      <p className="max-w-prose text-[1.1875rem]">
        {t('session.firstRun.answerThreeQuestionsSetUp')}
      </p>
      <div className="grid gap-x-8 gap-y-5 sm:grid-cols-2">
        <TextField
          label={t('session.firstRun.yourName')}
          value={name}
          onChange={({ target }) => setName(target.value)}
          placeholder={t('session.firstRun.asYourStudentsCallYou')}
          error={errors.name}
        />
        <Choice
          label={t('session.firstRun.unitsForPutts')}
          value={long}
          onChange={(value) => setLong(value)}
          options={[
            { value: 'imperial', label: 'feet' },
            { value: 'metric', label: 'metres' },
          ]}
        />
        <Choice
          label={t('session.firstRun.whoWillPutt')}
          value={who}
          onChange={(value) => setWho(value)}
          options={[
            { value: 'myself', label: t('session.firstRun.meToTryIt') },
            { value: 'student', label: 'a student' },
          ]}
        />
        <Choice
          label={t('session.firstRun.hand')}
          value={hand}
          onChange={(value) => setHand(value)}
          options={[
            { value: 'right', label: 'right-handed' },
            { value: 'left', label: 'left-handed' },
          ]}
        />
        {who === 'student' && (
          <TextField
            label={t('session.firstRun.studentsName')}
            value={student}
            onChange={({ target }) => {
              setStudent(target.value);
              setErrors({});
            }}
            error={errors.student}
          />
        )}
      </div>
      <div role="radiogroup" aria-labelledby={id} className="grid gap-3">
        <span id={id} className="cap">
          {t('session.firstRun.firstDrill')}
        </span>
        <div className="grid gap-3 sm:grid-cols-3">
          {gates.map((gate) => (
            <button
              key={gate.key}
              type="button"
              role="radio"
              aria-checked={drill === gate.key}
              onClick={() => setDrill(gate.key)}
              className={clsx(
                'grid content-start gap-1 rounded-[3px] border-ink bg-sheet p-3 text-left',
                drill === gate.key ? 'border-[3px]' : 'border-[length:var(--stroke)]',
              )}
            >
              <SmallLine
                id={gate.key}
                marks={gate.marks}
                units={units}
                className="h-[84px] w-full"
              />
              <span className="text-[1.125rem] font-[680]">
                {drill === gate.key && '● '}
                {gate.name}
              </span>
              <span className="text-[0.9375rem]">{gate.purpose}</span>
              <span className="text-sm text-ink2">
                {t('session.firstRun.youNeed', { kit: gate.kit })}
              </span>
            </button>
          ))}
        </div>
      </div>
      <Button
        kind="primary"
        className="min-h-16 text-[1.25rem] sm:w-fit sm:px-12"
        disabled={busy}
        onClick={begin}
      >
        {t('session.firstRun.setUpAndStart')}
      </Button>
      <p className="text-[1rem] text-ink2">
        {t.rich('session.firstRun.areYourPuttsRecordedElsewhere', {
          link: (chunks) => (
            <Link href="/records/files" className="inline-flex min-h-11 items-center underline">
              {chunks}
            </Link>
          ),
        })}
      </p>
    </div>
  );
}
