'use client';

import { useTranslations } from 'next-intl';
import { Search } from 'lucide-react';
import { Link } from '@/ui/link';
import { SmallRuler } from '@/ui/small-ruler';
import { useMemo, useState } from 'react';
import type { Hand } from '@/core/people';
import { quantityOf } from '@/core/quantity';
import { Button } from '@/ui/button';
import { Pick } from '@/ui/pick';
import type { StudentLine } from './brief';
import { RULED, endsOf, nameOf, ruledBias, showAmount } from './skill-words';

/** One student as the list shows them. */
export interface StudentRow extends Omit<StudentLine, 'at'> {
  id: string;
  name: string;
  hand: Hand;
  /** Level, chair, hand: what tells two of one name apart. */
  about: string;
  groups: string[];
  /** When they were last here, in words; null while they never were. */
  last: string | null;
  /** How long ago, ms. */
  since: number | null;
}

const BY = {
  name: 'students.studentList.byName',
  'longest away': 'students.studentList.byLongestAway',
  'most to do': 'students.studentList.byMostToDo',
} as const;
type By = keyof typeof BY;

const ALL = 'all';

function sorted(rows: StudentRow[], by: By): StudentRow[] {
  switch (by) {
    case 'name':
      return rows;
    case 'longest away':
      return rows.toSorted((a, b) => (b.since ?? Infinity) - (a.since ?? Infinity));
    case 'most to do':
      return rows.toSorted((a, b) => (b.window ?? 0) - (a.window ?? 0));
  }
}

/** Everyone, each with what they do, five small rulers, what has changed, and what comes next. */
export function StudentList({ rows, archived }: { rows: StudentRow[]; archived: boolean }) {
  const t = useTranslations();
  const [words, setWords] = useState('');
  const [group, setGroup] = useState(ALL);
  const [by, setBy] = useState<By>('name');
  const groups = useMemo(() => [...new Set(rows.flatMap((row) => row.groups))].sort(), [rows]);
  const found = sorted(
    rows.filter(
      ({ name, about, groups: own }) =>
        `${name} ${about} ${own.join(' ')}`.toLowerCase().includes(words.trim().toLowerCase()) &&
        (group === ALL || own.includes(group)),
    ),
    by,
  );
  return (
    <div className="px-4 py-4 md:px-7">
      <div className="grid grid-cols-2 items-end gap-x-4 gap-y-3 pb-4 lg:grid-cols-[minmax(0,1fr)_220px_220px]">
        <label className="col-span-2 grid gap-1.5 lg:col-span-1">
          <span className="cap">{t('students.studentList.search')}</span>
          <span className="flex items-center gap-2 border-b-[length:var(--stroke)] border-ink">
            <Search size={17} aria-hidden />
            <input
              type="search"
              value={words}
              onChange={({ target }) => setWords(target.value)}
              placeholder={t('students.studentList.nameLevelOrGroup')}
              className="min-h-11 w-full bg-transparent text-[1.0625rem] num placeholder:font-normal placeholder:text-ink2"
            />
          </span>
        </label>
        <Pick
          label={t('students.studentList.sortBy')}
          placeholder={t('students.studentList.name')}
          options={Object.entries(BY).map(([value, key]) => ({ value, label: t(key) }))}
          value={by}
          onChange={(value) => setBy(value as By)}
        />
        {groups.length > 0 && (
          <Pick
            label={t('students.studentList.group')}
            placeholder={t('students.studentList.everyone')}
            options={[
              { value: ALL, label: 'everyone' },
              ...groups.map((value) => ({ value, label: value })),
            ]}
            value={group}
            onChange={setGroup}
          />
        )}
      </div>
      {found.length === 0 && (
        <p className="py-4 text-[1.0625rem]">
          {t('students.studentList.noStudentMatchesYourSearch')}
        </p>
      )}
      <ul aria-label={t('students.studentList.students')} className="border-t border-rule">
        {found.map((row) => (
          <Line key={row.id} row={row} archived={archived} />
        ))}
      </ul>
    </div>
  );
}

function Line({ row, archived }: { row: StudentRow; archived: boolean }) {
  const t = useTranslations();
  const { id, name, hand, about, groups, says, sure, next, changed, rulers, last } = row;
  return (
    <li className="grid grid-cols-1 gap-x-6 gap-y-2.5 border-b border-rule py-3.5 lg:grid-cols-[minmax(0,1fr)_minmax(380px,0.9fr)_auto] lg:items-center">
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <Link
            href={`/students/${id}`}
            className="inline-flex min-h-11 items-center text-[1.1875rem] font-[680] underline decoration-1 underline-offset-4 lg:min-h-0"
          >
            {name}
          </Link>
          <span className="text-sm text-ink2">
            {[about, ...groups, last ?? 'no sessions yet'].join(' · ')}
          </span>
        </p>
        <p className="text-[1rem]">
          {says} {sure && <span className="text-sm text-ink2">{sure}.</span>}
        </p>
        {changed && (
          <p className="text-sm text-ink2">
            {t('students.studentList.sinceTheLastSession', { changed })}
          </p>
        )}
        {next && <p className="text-sm">{t('students.studentList.next', { words: next.words })}</p>}
      </div>
      <ul
        aria-label={t('students.studentList.atAGlance', { name })}
        className="grid grid-cols-5 gap-2.5"
      >
        {RULED.map((skill) => (
          <SkillInList key={skill} skill={skill} score={rulers[skill]} hand={hand} />
        ))}
      </ul>
      {!archived && (
        <Button asChild className="min-h-11 justify-self-start lg:justify-self-end">
          <Link
            href={next?.href ?? `/start?student=${id}`}
            aria-label={`Start the next session with ${name.split(' ')[0]}`}
          >
            {t('students.studentList.startSession')}
          </Link>
        </Button>
      )}
    </li>
  );
}

/** Half of a small ruler in good windows: everyone's stand on one scale. */
const REACH = 2.6;

/** One skill in the list: its small ruler and its window. */
function SkillInList({
  skill,
  score,
  hand,
}: {
  skill: (typeof RULED)[number];
  score: StudentRow['rulers'][string];
  hand: Hand;
}) {
  const t = useTranslations();
  const name = nameOf(skill);
  if (!score) {
    return (
      <li className="grid content-start gap-0.5 text-[0.8125rem] text-ink2">
        <span className="truncate">{name}</span>
        <span>{t('students.studentList.noPuttsYet')}</span>
      </li>
    );
  }
  const good = quantityOf(skill).good.window;
  const bias = ruledBias(skill, score.bias).middle;
  const window = score.window.middle;
  const value = `±${showAmount(skill, window)}`;
  const side = bias < 0 ? endsOf(skill, hand).left : endsOf(skill, hand).right;
  return (
    <li className="grid content-start gap-0.5 text-[0.8125rem]">
      <span className="truncate text-ink2">{name}</span>
      <SmallRuler
        window={window}
        bias={bias}
        good={good}
        reach={REACH}
        label={t('students.studentList.n8In10WithinAverage', { name, window: value, side })}
      />
      <span className="num">{value}</span>
    </li>
  );
}
