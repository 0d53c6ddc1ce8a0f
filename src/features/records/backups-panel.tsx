'use client';

import { formatDistance } from 'date-fns';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { Backup, Contents } from '@/data';
import { Button } from '@/ui/button';
import { ColumnHead } from '@/ui/column-head';
import { TextField } from '@/ui/field';
import { SheetDialog } from '@/ui/sheet-dialog';
import { format } from '@/ui/when';
import { showErrors } from '../shared/show-errors';
import { inspectBackup, restoreFrom } from './backup-actions';

const KIND_WORDS: Record<Backup['kind'], string> = {
  backup: 'backup',
  before: 'before an update of Dirigo',
  replaced: 'replaced by a restore',
};

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;

/** The backup that is open in the dialog. */
interface Chosen {
  file: string;
  name: string;
  encrypted: boolean;
}

/** Lists the backups, and restores one: it is looked at first, and asked about twice. */
export function BackupsPanel({ backups, now }: { backups: Backup[]; now: Date }) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [other, setOther] = useState('');
  const open = (file: string, name: string) =>
    setChosen({ file, name, encrypted: file.endsWith('.age') });
  return (
    <>
      {backups.length === 0 ? (
        <p className="text-[1rem] text-ink2">
          No backup yet. Dirigo makes the first one in a few seconds.
        </p>
      ) : (
        <ul>
          {backups.map(({ file, madeAt, bytes, kind, encrypted }) => {
            const name = format(madeAt, 'd MMMM, HH:mm');
            return (
              <li
                key={file}
                className="flex items-center justify-between gap-3 border-b border-hair py-2 last:border-0"
              >
                <p className="min-w-0 text-[1rem]">
                  <strong>{name}</strong>
                  <span className="text-ink2">
                    {' '}
                    · {formatDistance(madeAt, now, { addSuffix: true })} · {KIND_WORDS[kind]}
                    {encrypted && ', encrypted'}, {megabytes(bytes)}
                  </span>
                </p>
                <Button aria-label={`View the backup of ${name}`} onClick={() => open(file, name)}>
                  View
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      <form
        className="mt-6 flex max-w-2xl items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          open(other.trim(), other.trim());
        }}
      >
        <div className="min-w-0 flex-1">
          <TextField
            label="Another file on this machine"
            value={other}
            onChange={({ target }) => setOther(target.value)}
          />
        </div>
        <Button type="submit" disabled={other.trim() === ''}>
          View
        </Button>
      </form>
      {chosen && <RestoreDialog key={chosen.file} {...chosen} onClose={() => setChosen(null)} />}
    </>
  );
}

function RestoreDialog({ file, name, encrypted, onClose }: Chosen & { onClose: () => void }) {
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState('');
  const [looked, setLooked] = useState<{ here: Contents; there: Contents } | null>(null);
  const [sure, setSure] = useState(false);
  const [wrong, setWrong] = useState<string>();
  const passphrase = encrypted ? typed : null;
  const look = () =>
    begin(async () => {
      const answer = await inspectBackup({ file, passphrase });
      setWrong(answer.ok ? undefined : (answer.fields.file ?? answer.message));
      if (answer.ok) setLooked(answer.value);
    });
  const restoreNow = () =>
    begin(async () => {
      const answer = await restoreFrom({ file, passphrase });
      if (!showErrors(answer)) return;
      onClose();
      const { replaced, signInsEnded } = answer.value;
      toast(
        `Restored. The database that was here is kept as ${replaced}.${signInsEnded ? ' All devices and links were signed out: create new links for your students.' : ''}`,
        { duration: 20_000 },
      );
      router.refresh();
    });
  return (
    <SheetDialog
      title={`Backup of ${name}`}
      open
      onOpen={(open) => {
        if (!open) onClose();
      }}
    >
      <div className="grid gap-4 pt-3">
        {!looked && (
          <form
            className="grid max-w-lg gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              look();
            }}
          >
            {encrypted ? (
              <TextField
                label="Passphrase of this backup"
                type="password"
                autoComplete="off"
                value={typed}
                error={wrong}
                onChange={({ target }) => setTyped(target.value)}
              />
            ) : (
              <p className="text-[1rem]">Dirigo checks the backup before it shows what is in it.</p>
            )}
            {!encrypted && wrong && (
              <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
                {wrong}
              </p>
            )}
            <div>
              <Button kind="primary" type="submit" disabled={busy}>
                Check this backup
              </Button>
            </div>
          </form>
        )}
        {looked && (
          <>
            <Comparison {...looked} />
            <p className="max-w-prose text-[0.9375rem] text-ink2">
              Restoring replaces the database with this backup. The database that is here now is
              kept, and listed with the backups. Links and devices that were revoked since then stay
              revoked; you may have to sign in again.
            </p>
            <div className="flex flex-wrap gap-2.5">
              {sure ? (
                <>
                  <Button kind="primary" disabled={busy} onClick={restoreNow}>
                    Yes, replace the database
                  </Button>
                  <Button onClick={onClose}>Cancel</Button>
                </>
              ) : (
                <Button kind="primary" onClick={() => setSure(true)}>
                  Restore this backup
                </Button>
              )}
            </div>
          </>
        )}
      </div>
    </SheetDialog>
  );
}

/** What a backup holds beside what the database holds. */
function Comparison({ here, there }: { here: Contents; there: Contents }) {
  const day = ({ newest }: Contents) => (newest ? format(newest, 'd MMM yyyy, HH:mm') : 'none');
  const rows: [string, string | number, string | number][] = [
    ['Students', here.students, there.students],
    ['Sessions', here.sessions, there.sessions],
    ['Putts', here.putts, there.putts],
    ['Newest session', day(here), day(there)],
  ];
  return (
    <table className="w-full max-w-lg text-[1rem]">
      <caption className="sr-only">The database compared with the backup</caption>
      <thead>
        <tr className="border-b text-left cap">
          <td className="py-1.5 font-[inherit]" />
          <ColumnHead>now</ColumnHead>
          <ColumnHead>in the backup</ColumnHead>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, now, then]) => (
          <tr key={name} className="border-b border-hair">
            <th scope="row" className="py-1.5 pr-3 text-left font-[450]">
              {name}
            </th>
            <td className="py-1.5 pr-3 num">{now}</td>
            <td className={`py-1.5 num ${now === then ? '' : 'font-[700]'}`}>{then}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
