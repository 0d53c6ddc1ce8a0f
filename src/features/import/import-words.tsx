'use client';

import { useTranslations } from 'next-intl';
import { Button } from '@/ui/button';
import { Link } from '@/ui/link';
import { format } from '@/ui/when';
import type { LookedBook, LookedList } from './actions';
import type { JobTold } from './jobs';
import type { Checked } from './take';

export const count = (number: number, one: string, several = `${one}s`): string =>
  `${number.toLocaleString('en')} ${number === 1 ? one : several}`;

export const NAMED = { students: 'student', dates: 'appointment' } as const;

/** Which file it is, and the way to another. */
export const FileHead = ({ name, onFresh }: { name: string; onFresh: () => void }) => {
  const t = useTranslations();
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-3">
      <h2 className="text-[1.25rem] num">{name}</h2>
      <Button onClick={onFresh}>{t('import.importWords.chooseAnotherFile')}</Button>
    </div>
  );
};

/** Students or dates of a file, before they come in. */
export function ListWords({
  name,
  list: { kind, fresh, doubled, refused },
  taken,
  busy,
  onTake,
  onFresh,
}: {
  name: string;
  list: LookedList;
  taken: string | null;
  busy: boolean;
  onTake: () => void;
  onFresh: () => void;
}) {
  const t = useTranslations();
  const one = NAMED[kind];
  return (
    <section aria-label={t('import.importWords.importPreview')} className="grid gap-3">
      <FileHead name={name} onFresh={onFresh} />
      {taken ? (
        <p role="status" className="text-[1.1875rem] font-[640]">
          {taken}
        </p>
      ) : (
        <>
          <p className="text-[1.1875rem] font-[640]">
            {count(fresh.length, t('import.importWords.new', { one }))}
          </p>
          <ul className="max-h-[50vh] overflow-y-auto border-y border-rule text-[1rem]">
            {fresh.map((words) => (
              <li key={words} className="border-b border-hair py-1.5 last:border-0">
                {words}
              </li>
            ))}
          </ul>
          {doubled > 0 && (
            <p>
              {t('import.importWords.isAlreadyHere', {
                doubled: count(doubled, one),
                doubled2: doubled,
              })}
            </p>
          )}
          <Refused refused={refused.length} reasons={refused.slice(0, 40)} />
          <div>
            <Button kind="primary" disabled={busy || fresh.length === 0} onClick={onTake}>
              {t('import.importWords.import', { fresh: count(fresh.length, one) })}
            </Button>
          </div>
        </>
      )}
    </section>
  );
}

/** A whole book, before it comes in. */
export function BookWords({
  name,
  book: { students, sessions, putts, newest, earlier, room },
  busy,
  onTake,
  onFresh,
}: {
  name: string;
  book: LookedBook;
  busy: boolean;
  onTake: () => void;
  onFresh: () => void;
}) {
  const t = useTranslations();
  return (
    <section aria-label={t('import.importWords.importPreview')} className="grid gap-3">
      <FileHead name={name} onFresh={onFresh} />
      <div className="grid gap-2 border-2 border-ink bg-sheet px-4 py-3">
        <p className="text-[1.1875rem] font-[640]">
          {t('import.importWords.fullExport', {
            students: count(students, 'student'),
            sessions: count(sessions, 'session'),
            putts: count(putts, 'putt'),
          })}
        </p>
        {newest && (
          <p>
            {t('import.importWords.theLastSessionWasOn', { date: format(newest, 'd MMMM yyyy') })}
          </p>
        )}
        {earlier && <p>{t('import.importWords.theExportIsFromAn')}</p>}
        <p>{t('import.importWords.coachesStudentsDrillsGreensPlans')}</p>
      </div>
      {room ? (
        <div>
          <Button kind="primary" disabled={busy} onClick={onTake}>
            {t('import.importWords.importFullExport')}
          </Button>
        </div>
      ) : (
        <p role="alert" className="max-w-prose font-[560] text-line">
          {t.rich('import.importWords.thereAreAlreadyStudentsDrills', {
            link: (chunks) => (
              <Link href="/records" className="underline">
                {chunks}
              </Link>
            ),
          })}
        </p>
      )}
    </section>
  );
}

/** Rows that cannot come in, with the reasons. */
function Refused({ refused, reasons }: { refused: number; reasons: Checked['reasons'] }) {
  const t = useTranslations();
  if (refused === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-[560] text-line">
        {t('import.importWords.cannotBeImportedAndWill', { refused: count(refused, 'row') })}
      </summary>
      <ul className="mt-1 grid gap-1 text-[0.9375rem]">
        {reasons.map(({ row, reason }) => (
          <li key={row}>
            <span className="num text-ink2">{t('import.importWords.row', { row })}</span> {reason}
          </li>
        ))}
        {refused > reasons.length && (
          <li>{t('import.importWords.andMore', { refused: refused - reasons.length })}</li>
        )}
      </ul>
    </details>
  );
}

/** What would come in, and what would not, with the reasons. */
export function CheckedWords({ checked }: { checked: Checked }) {
  const t = useTranslations();
  const { rows, fresh, doubled, refused, reasons, added, students, days } = checked;
  return (
    <section
      aria-label={t('import.importWords.importPreview')}
      className="grid gap-2 border-2 border-ink bg-sheet px-4 py-3"
    >
      <p className="text-[1.1875rem] font-[640]">
        {t('import.importWords.of', {
          fresh: count(fresh, t('import.importWords.newPutt')),
          rows: count(rows, 'row'),
        })}
        {fresh > 0 &&
          t('import.importWords.byIn', {
            students: count(students, 'student'),
            days: count(days, 'session'),
          })}
      </p>
      {doubled > 0 && (
        <p>
          {count(doubled, 'row')}{' '}
          {doubled === 1
            ? t('import.importWords.isAlreadyHereAndStays')
            : t('import.importWords.areAlreadyHereAndStay')}
          .
        </p>
      )}
      {added.length > 0 && (
        <p>
          {t('import.importWords.addedAsRightHandersUntil', {
            names: added.slice(0, 12).join(', '),
          })}
          {added.length > 12 && t('import.importWords.andMore2', { added: added.length - 12 })}.
        </p>
      )}
      <Refused refused={refused} reasons={reasons} />
    </section>
  );
}

export function JobWords({ told, of }: { told: JobTold; of: number }) {
  const t = useTranslations();
  switch (told.state) {
    case 'going':
      return (
        <>
          <p className="text-[1.1875rem] font-[640]">
            {t('import.importWords.of2', {
              putts: told.putts.toLocaleString('en'),
              of: count(of, 'putt'),
            })}
          </p>
          <progress
            aria-label={t('import.importWords.puttsImported')}
            className="h-3 w-full appearance-none border border-ink bg-sheet [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-sheet [&::-webkit-progress-value]:bg-ink"
            max={Math.max(1, of)}
            value={told.putts}
          />
          <p className="text-ink2">{t('import.importWords.thePuttsAppearOnceAll')}</p>
        </>
      );
    case 'done':
      return (
        <p className="text-[1.1875rem] font-[640]">
          {t('import.importWords.importedIn', {
            putts: count(told.putts, 'putt'),
            sessions: count(told.sessions, 'session'),
          })}
        </p>
      );
    case 'stopped':
      return (
        <p className="text-[1.1875rem] font-[640]">
          {t('import.importWords.importStoppedNothingWasImported')}
        </p>
      );
    case 'failed':
      return (
        <p role="alert" className="text-[1.1875rem] font-[640] text-line">
          {t('import.importWords.nothingWasImported', { message: told.message })}
        </p>
      );
  }
}
