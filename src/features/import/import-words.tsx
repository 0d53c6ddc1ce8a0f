'use client';

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
export const FileHead = ({ name, onFresh }: { name: string; onFresh: () => void }) => (
  <div className="flex flex-wrap items-baseline justify-between gap-3">
    <h2 className="text-[1.25rem] num">{name}</h2>
    <Button onClick={onFresh}>Choose another file</Button>
  </div>
);

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
  const one = NAMED[kind];
  return (
    <section aria-label="Import preview" className="grid gap-3">
      <FileHead name={name} onFresh={onFresh} />
      {taken ? (
        <p role="status" className="text-[1.1875rem] font-[640]">
          {taken}
        </p>
      ) : (
        <>
          <p className="text-[1.1875rem] font-[640]">{count(fresh.length, `new ${one}`)}</p>
          <ul className="max-h-[50vh] overflow-y-auto border-y border-rule text-[1rem]">
            {fresh.map((words) => (
              <li key={words} className="border-b border-hair py-1.5 last:border-0">
                {words}
              </li>
            ))}
          </ul>
          {doubled > 0 && (
            <p>
              {count(doubled, one)} {doubled === 1 ? 'is' : 'are'} already here.
            </p>
          )}
          <Refused refused={refused.length} reasons={refused.slice(0, 40)} />
          <div>
            <Button kind="primary" disabled={busy || fresh.length === 0} onClick={onTake}>
              Import {count(fresh.length, one)}
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
  return (
    <section aria-label="Import preview" className="grid gap-3">
      <FileHead name={name} onFresh={onFresh} />
      <div className="grid gap-2 border-2 border-ink bg-sheet px-4 py-3">
        <p className="text-[1.1875rem] font-[640]">
          Full export: {count(students, 'student')}, {count(sessions, 'session')},{' '}
          {count(putts, 'putt')}
        </p>
        {newest && <p>The last session was on {format(newest, 'd MMMM yyyy')}.</p>}
        {earlier && (
          <p>
            The export is from an earlier version of Dirigo and will be updated during the import.
          </p>
        )}
        <p>
          Coaches, students, drills, greens, plans and all putts are imported as they are. Devices,
          links and instruments are not imported. Create a new sign-in link for each of the other
          coaches.
        </p>
      </div>
      {room ? (
        <div>
          <Button kind="primary" disabled={busy} onClick={onTake}>
            Import full export
          </Button>
        </div>
      ) : (
        <p role="alert" className="max-w-prose font-[560] text-line">
          ▲ There are already students, drills or greens here, and a full export can only be
          imported into an empty Dirigo. You can import just the putts: extract putts.csv from the
          archive and choose that file. To restore a backup of these records, use{' '}
          <Link href="/records" className="underline">
            Settings
          </Link>
          .
        </p>
      )}
    </section>
  );
}

/** Rows that cannot come in, with the reasons. */
function Refused({ refused, reasons }: { refused: number; reasons: Checked['reasons'] }) {
  if (refused === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-[560] text-line">
        ▲ {count(refused, 'row')} cannot be imported and will be left out
      </summary>
      <ul className="mt-1 grid gap-1 text-[0.9375rem]">
        {reasons.map(({ row, reason }) => (
          <li key={row}>
            <span className="num text-ink2">Row {row}:</span> {reason}
          </li>
        ))}
        {refused > reasons.length && <li>and {refused - reasons.length} more</li>}
      </ul>
    </details>
  );
}

/** What would come in, and what would not, with the reasons. */
export function CheckedWords({ checked }: { checked: Checked }) {
  const { rows, fresh, doubled, refused, reasons, added, students, days } = checked;
  return (
    <section
      aria-label="Import preview"
      className="grid gap-2 border-2 border-ink bg-sheet px-4 py-3"
    >
      <p className="text-[1.1875rem] font-[640]">
        {count(fresh, 'new putt')} of {count(rows, 'row')}
        {fresh > 0 && `, by ${count(students, 'student')} in ${count(days, 'session')}`}
      </p>
      {doubled > 0 && (
        <p>
          {count(doubled, 'row')}{' '}
          {doubled === 1
            ? 'is already here and stays as it is'
            : 'are already here and stay as they are'}
          .
        </p>
      )}
      {added.length > 0 && (
        <p>
          Added as right-handers until you change this: {added.slice(0, 12).join(', ')}
          {added.length > 12 && ` and ${added.length - 12} more`}.
        </p>
      )}
      <Refused refused={refused} reasons={reasons} />
    </section>
  );
}

export function JobWords({ told, of }: { told: JobTold; of: number }) {
  switch (told.state) {
    case 'going':
      return (
        <>
          <p className="text-[1.1875rem] font-[640]">
            {told.putts.toLocaleString('en')} of {count(of, 'putt')}
          </p>
          <progress
            aria-label="Putts imported"
            className="h-3 w-full appearance-none border border-ink bg-sheet [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-sheet [&::-webkit-progress-value]:bg-ink"
            max={Math.max(1, of)}
            value={told.putts}
          />
          <p className="text-ink2">The putts appear once all of them have been imported.</p>
        </>
      );
    case 'done':
      return (
        <p className="text-[1.1875rem] font-[640]">
          Imported {count(told.putts, 'putt')} in {count(told.sessions, 'session')}.
        </p>
      );
    case 'stopped':
      return <p className="text-[1.1875rem] font-[640]">Import stopped. Nothing was imported.</p>;
    case 'failed':
      return (
        <p role="alert" className="text-[1.1875rem] font-[640] text-line">
          ▲ Nothing was imported. {told.message}
        </p>
      );
  }
}
