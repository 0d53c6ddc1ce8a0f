'use client';

import { Search } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { PLACES, PLACE_WORDS, missNames, skillWords, skills } from '@/core/drill';
import { LEVELS, type KitId, type Level, type PathSchool } from '@/core/people';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { NO_FILTER, fits, type DrillFilter, type DrillSummary } from './summary';

/** Stands for asking nothing of this kind. */
const ANY = 'any';
const MINUTES = [6, 10, 15, 20];

interface ForStudent extends PickOption {
  kit: KitId[];
  school: PathSchool;
  level: Level;
  seated: boolean;
}

/** All drills, narrowed by what the coach looks for. */
export function DrillList({
  drills,
  students,
}: {
  drills: DrillSummary[];
  students: ForStudent[];
}) {
  const [filter, setFilter] = useState<DrillFilter>(NO_FILTER);
  const [who, setWho] = useState(ANY);
  const found = useMemo(() => drills.filter((drill) => fits(drill, filter)), [drills, filter]);
  const asks = JSON.stringify(filter) !== JSON.stringify(NO_FILTER);
  const change = (changes: Partial<DrillFilter>) => setFilter((old) => ({ ...old, ...changes }));
  const clear = () => {
    setFilter(NO_FILTER);
    setWho(ANY);
  };
  const forStudent = (value: string) => {
    setWho(value);
    const student = students.find((one) => one.value === value);
    change(
      student
        ? { kit: student.kit, school: student.school, level: student.level, seated: student.seated }
        : { kit: null, school: null, level: null, seated: false },
    );
  };
  const ask = <T extends string>(
    label: string,
    value: T | null,
    values: readonly T[],
    set: (value: T | null) => void,
    say: (value: T) => string = (one) => one,
  ) => (
    <Pick
      label={label}
      placeholder={ANY}
      options={[
        { value: ANY, label: ANY },
        ...values.map((one) => ({ value: one as string, label: say(one) })),
      ]}
      value={value ?? ANY}
      onChange={(next) => set(next === ANY ? null : (next as T))}
    />
  );
  const own = found.filter((drill) => drill.own);
  const builtIn = found.filter((drill) => !drill.own);
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_280px]">
      <aside
        aria-label="Look for"
        className="grid content-start gap-3.5 border-rule px-4 py-5 max-lg:grid-cols-2 max-lg:border-b md:px-7 lg:order-2 lg:border-l lg:px-6"
      >
        <label className="col-span-full grid gap-1.5">
          <span className="cap">Words</span>
          <span className="flex items-center gap-2 border-b-[length:var(--stroke)] border-ink">
            <Search size={17} aria-hidden />
            <input
              type="search"
              value={filter.words}
              onChange={({ target }) => change({ words: target.value })}
              placeholder="coin, half circle, push"
              className="w-full bg-transparent py-2 text-[17px] num placeholder:font-normal placeholder:text-ink2"
            />
          </span>
        </label>
        {ask('Trains', filter.skill, skills(), (skill) => change({ skill }), skillWords)}
        {ask('For a miss', filter.miss, missNames(), (miss) => change({ miss }))}
        {ask(
          'Where',
          filter.place,
          PLACES,
          (place) => change({ place }),
          (one) => PLACE_WORDS[one],
        )}
        {ask(
          'Takes at most',
          filter.minutes === null ? null : String(filter.minutes),
          MINUTES.map(String),
          (minutes) => change({ minutes: minutes === null ? null : Number(minutes) }),
          (one) => `${one} minutes`,
        )}
        {ask('Level', filter.level, LEVELS, (level) => change({ level }))}
        {ask('School', filter.school, ['arc', 'straight'] as const, (school) => change({ school }))}
        {students.length > 0 && (
          <Pick
            label="Suits, with the kit of"
            placeholder={ANY}
            options={[{ value: ANY, label: 'anyone' }, ...students]}
            value={who}
            onChange={forStudent}
          />
        )}
        <label className="flex min-h-11 items-center gap-2.5 text-[16px]">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={filter.seated}
            onChange={({ target }) => change({ seated: target.checked })}
          />
          From a chair
        </label>
        {asks && <Button onClick={clear}>Show all</Button>}
      </aside>
      <div className="min-w-0 px-4 py-5 md:px-7" aria-live="polite">
        {found.length === 0 && (
          <p className="text-[17px]">
            No drill is all of that.{' '}
            <button type="button" className="underline underline-offset-4" onClick={clear}>
              Show all
            </button>
          </p>
        )}
        <Section name={`Your own, ${own.length}`} drills={own} />
        <Section name={`Built in, ${builtIn.length}`} drills={builtIn} />
      </div>
    </div>
  );
}

function Section({ name, drills }: { name: string; drills: DrillSummary[] }) {
  if (drills.length === 0) return null;
  return (
    <section aria-label={name} className="mb-7">
      <h2 className="border-b border-rule pb-1.5 cap">{name}</h2>
      <ul>
        {drills.map((drill) => (
          <li
            key={drill.id}
            className="grid gap-x-6 gap-y-0.5 border-b border-hair py-2.5 sm:grid-cols-[1fr_170px]"
          >
            <div className="min-w-0">
              <Link
                href={`/drills/${drill.id}`}
                className="text-[17px] font-[650] underline decoration-1 underline-offset-4"
              >
                {drill.name}
              </Link>
              <p className="text-[15px]">{drill.purpose || drill.stands}</p>
              <p className="text-sm text-ink2">
                {[
                  drill.purpose && drill.stands,
                  drill.school !== 'any' && `${drill.school} school`,
                  drill.avoid.length > 0 && `not for ${drill.avoid.join(', ')}`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            </div>
            <p className="text-[15px] sm:text-right">
              <span className="num">{drill.lets}</span>
              <span className="text-sm text-ink2 max-sm:ml-3 sm:block">
                {drill.skills.map(skillWords).join(', ')}
              </span>
              <span className="text-sm text-ink2 max-sm:ml-3 sm:block">{drill.minutes} min</span>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
