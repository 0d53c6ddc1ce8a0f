'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import clsx from 'clsx';
import { LayoutGrid, Rows3, Search, SlidersHorizontal } from 'lucide-react';
import { Link } from '@/ui/link';
import { useMemo, useState } from 'react';
import { PLACES, PLACE_WORDS, missNames, skillWords, skills } from '@/core/drill';
import { LEVELS, type KitId, type Level, type PathSchool } from '@/core/people';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { SheetDialog } from '@/ui/sheet-dialog';
import { SmallLine } from '@/ui/measured-line/small-line';
import type { UnitPreferences } from '@/core/units';
import { useKeptSwitch } from '../session/kept';
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
  units,
}: {
  drills: DrillSummary[];
  students: ForStudent[];
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const [asRows, setAsRows] = useKeptSwitch('drills-as-rows', false);
  const [narrowing, setNarrowing] = useState(false);
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
  const asked = Object.values({ ...filter, words: '' }).filter((one) => one).length;
  const fields = (
    <>
      {ask(
        t('drills.drillList.skill'),
        filter.skill,
        skills(),
        (skill) => change({ skill }),
        skillWords,
      )}
      {ask(t('drills.drillList.miss'), filter.miss, missNames(), (miss) => change({ miss }))}
      {ask(
        t('drills.drillList.place'),
        filter.place,
        PLACES,
        (place) => change({ place }),
        (one) => PLACE_WORDS[one],
      )}
      {ask(
        t('drills.drillList.maximumTime'),
        filter.minutes === null ? null : String(filter.minutes),
        MINUTES.map(String),
        (minutes) => change({ minutes: minutes === null ? null : Number(minutes) }),
        (one) => t('drills.drillList.minutes', { one }),
      )}
      {ask(t('drills.drillList.level'), filter.level, LEVELS, (level) => change({ level }))}
      {ask(
        t('drills.drillList.strokeType'),
        filter.school,
        ['arc', 'straight'] as const,
        (school) => change({ school }),
      )}
      {students.length > 0 && (
        <Pick
          label={t('drills.drillList.studentAndKit')}
          placeholder={ANY}
          options={[{ value: ANY, label: 'anyone' }, ...students]}
          value={who}
          onChange={forStudent}
        />
      )}
      <label className="flex min-h-11 items-center gap-2.5 text-[1rem]">
        <input
          type="checkbox"
          className="size-5 accent-[var(--ink)]"
          checked={filter.seated}
          onChange={({ target }) => change({ seated: target.checked })}
        />
        {t('drills.drillList.canBeDoneFromA')}
      </label>
      {asks && <Button onClick={clear}>{t('drills.drillList.clearFilters')}</Button>}
    </>
  );
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_280px]">
      <aside
        aria-label={t('drills.drillList.searchAndFilters')}
        className="grid content-start gap-3.5 border-rule px-4 py-4 max-lg:border-b md:px-7 lg:order-2 lg:border-l lg:px-6 lg:py-5"
      >
        <label className="grid gap-1.5">
          <span className="cap">{t('drills.drillList.search')}</span>
          <span className="flex items-center gap-2 border-b-[length:var(--stroke)] border-ink">
            <Search size={17} aria-hidden />
            <input
              type="search"
              value={filter.words}
              onChange={({ target }) => change({ words: target.value })}
              placeholder={t('drills.drillList.lagClockCoinPush')}
              className="min-h-11 w-full bg-transparent py-2 text-[1.0625rem] num placeholder:font-normal placeholder:text-ink2"
            />
          </span>
        </label>
        <div className="flex flex-wrap gap-2.5">
          <div className="lg:hidden">
            <SheetDialog
              title={t('drills.drillList.filterDrills')}
              sub={t('drills.drillList.ofDrills', { found: found.length, drills: drills.length })}
              open={narrowing}
              onOpen={setNarrowing}
              trigger={
                <Button>
                  <SlidersHorizontal size={17} aria-hidden />
                  {t('drills.drillList.filter')}
                  {asked > 0 && ` (${asked})`}
                </Button>
              }
            >
              <div className="mt-4 grid gap-3.5 sm:grid-cols-2">
                {fields}
                <Button
                  kind="primary"
                  className="col-span-full min-h-12"
                  onClick={() => setNarrowing(false)}
                >
                  {t('drills.drillList.show1Drill', { found: found.length })}
                </Button>
              </div>
            </SheetDialog>
          </div>
          <Button aria-pressed={asRows} onClick={() => setAsRows(!asRows)}>
            {asRows ? <LayoutGrid size={17} aria-hidden /> : <Rows3 size={17} aria-hidden />}
            {asRows ? t('drills.drillList.showPictures') : t('drills.drillList.showList')}
          </Button>
        </div>
        <div className="hidden gap-3.5 lg:grid">{fields}</div>
      </aside>
      <div className="min-w-0 px-4 py-5 md:px-7" aria-live="polite">
        {found.length === 0 && (
          <p className="text-[1.0625rem]">
            {t('drills.drillList.noDrillMatchesAllOf')}{' '}
            <button type="button" className="min-h-11 underline underline-offset-4" onClick={clear}>
              {t('drills.drillList.clearFilters')}
            </button>
          </p>
        )}
        <Section name={`Your drills, ${own.length}`} drills={own} units={units} asRows={asRows} />
        <Section
          name={`Library, ${builtIn.length}`}
          drills={builtIn}
          units={units}
          asRows={asRows}
        />
      </div>
    </div>
  );
}

/** What it trains and for whom, in one line. */
const forWhom = (
  t: Translate,
  { skills: trains, misses, school, levels, minutes }: DrillSummary,
): string =>
  [
    trains.map(skillWords).join(', '),
    misses.length > 0 && t('drills.drillList.for', { misses: misses.slice(0, 3).join(', ') }),
    levels.length > 0 &&
      levels.length <= 2 &&
      t('drills.drillList.players', { levels: levels.join(' and ') }),
    school !== 'any' && t('drills.drillList.strokes', { school }),
    t('drills.drillList.min', { minutes }),
  ]
    .filter(Boolean)
    .join(' · ');

function Section({
  name,
  drills,
  units,
  asRows,
}: {
  name: string;
  drills: DrillSummary[];
  units: UnitPreferences;
  asRows: boolean;
}) {
  const t = useTranslations();
  if (drills.length === 0) return null;
  return (
    <section aria-label={name} className="mb-8">
      <h2 className="mb-3 border-b border-rule pb-1.5 text-[1.25rem] num">{name}</h2>
      <ul className={asRows ? 'grid' : 'grid gap-4 sm:grid-cols-2 xl:grid-cols-3'}>
        {drills.map((drill) => (
          <li
            key={drill.id}
            className={clsx(
              'relative min-w-0 [contain-intrinsic-size:auto_260px] [content-visibility:auto]',
              asRows
                ? 'grid grid-cols-[104px_minmax(0,1fr)] items-center gap-x-4 border-b border-hair py-2.5'
                : 'grid content-start gap-2 rounded-[3px] border border-rule bg-sheet p-3',
            )}
          >
            <SmallLine
              id={drill.id}
              marks={drill.marks}
              units={units}
              className={asRows ? 'w-[104px]' : 'h-[104px] w-full'}
            />
            <div className="min-w-0">
              <Link
                href={`/drills/${drill.id}`}
                className="text-[1.125rem] leading-tight font-[680] underline decoration-1 underline-offset-4 after:absolute after:inset-0"
              >
                {drill.name}
              </Link>
              <p className="text-[0.9375rem]">{drill.purpose || drill.stands}</p>
              <p className="text-sm text-ink2">
                {[drill.purpose && drill.stands, drill.lets].filter(Boolean).join(' · ')}
              </p>
              <p className="text-sm">{forWhom(t, drill)}</p>
              {drill.avoid.length > 0 && (
                <p className="text-sm text-warn">
                  {t('drills.drillList.notFor', { avoid: drill.avoid.join(', ') })}
                </p>
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
