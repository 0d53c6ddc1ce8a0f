'use client';

import type { MessageKey } from '@/words/translate';
import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
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

const KIND_WORDS = {
  backup: 'records.backupsPanel.kindBackup',
  before: 'records.backupsPanel.kindBefore',
  replaced: 'records.backupsPanel.kindReplaced',
} as const satisfies Record<Backup['kind'], MessageKey>;

const megabytes = (t: Translate, bytes: number): string =>
  t('records.backupsPanel.mB', { bytes: (bytes / 1e6).toFixed(1) });

/** The backup that is open in the dialog. */
interface Chosen {
  file: string;
  name: string;
  encrypted: boolean;
}

/** Lists the backups, and restores one: it is looked at first, and asked about twice. */
export function BackupsPanel({ backups, now }: { backups: Backup[]; now: Date }) {
  const t = useTranslations();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [other, setOther] = useState('');
  const open = (file: string, name: string) =>
    setChosen({ file, name, encrypted: file.endsWith('.age') });
  return (
    <>
      {backups.length === 0 ? (
        <p className="text-[1rem] text-ink2">{t('records.backupsPanel.noBackupYetDirigoMakes')}</p>
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
                    · {formatDistance(madeAt, now, { addSuffix: true })} · {t(KIND_WORDS[kind])}
                    {encrypted && t('records.backupsPanel.encrypted')}, {megabytes(t, bytes)}
                  </span>
                </p>
                <Button
                  aria-label={t('records.backupsPanel.viewTheBackupOf', { name })}
                  onClick={() => open(file, name)}
                >
                  {t('records.backupsPanel.view')}
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
            label={t('records.backupsPanel.anotherFileOnThisMachine')}
            value={other}
            onChange={({ target }) => setOther(target.value)}
          />
        </div>
        <Button type="submit" disabled={other.trim() === ''}>
          {t('records.backupsPanel.view')}
        </Button>
      </form>
      {chosen && <RestoreDialog key={chosen.file} {...chosen} onClose={() => setChosen(null)} />}
    </>
  );
}

function RestoreDialog({ file, name, encrypted, onClose }: Chosen & { onClose: () => void }) {
  const t = useTranslations();
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
        t('records.backupsPanel.restoredTheDatabaseThatWas', {
          replaced,
          signInsEnded: String(signInsEnded),
        }),
        { duration: 20_000 },
      );
      router.refresh();
    });
  return (
    <SheetDialog
      title={t('records.backupsPanel.backupOf', { name })}
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
                label={t('records.backupsPanel.passphraseOfThisBackup')}
                type="password"
                autoComplete="off"
                value={typed}
                error={wrong}
                onChange={({ target }) => setTyped(target.value)}
              />
            ) : (
              <p className="text-[1rem]">{t('records.backupsPanel.dirigoChecksTheBackupBefore')}</p>
            )}
            {!encrypted && wrong && (
              <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
                {wrong}
              </p>
            )}
            <div>
              <Button kind="primary" type="submit" disabled={busy}>
                {t('records.backupsPanel.checkThisBackup')}
              </Button>
            </div>
          </form>
        )}
        {looked && (
          <>
            <Comparison {...looked} />
            <p className="max-w-prose text-[0.9375rem] text-ink2">
              {t('records.backupsPanel.restoringReplacesTheDatabaseWith')}
            </p>
            <div className="flex flex-wrap gap-2.5">
              {sure ? (
                <>
                  <Button kind="primary" disabled={busy} onClick={restoreNow}>
                    {t('records.backupsPanel.yesReplaceTheDatabase')}
                  </Button>
                  <Button onClick={onClose}>{t('records.backupsPanel.cancel')}</Button>
                </>
              ) : (
                <Button kind="primary" onClick={() => setSure(true)}>
                  {t('records.backupsPanel.restoreThisBackup')}
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
  const t = useTranslations();
  const day = ({ newest }: Contents) => (newest ? format(newest, 'd MMM yyyy, HH:mm') : 'none');
  const rows: [string, string | number, string | number][] = [
    [t('records.backupsPanel.students'), here.students, there.students],
    [t('records.backupsPanel.sessions'), here.sessions, there.sessions],
    [t('records.backupsPanel.putts'), here.putts, there.putts],
    [t('records.backupsPanel.newestSession'), day(here), day(there)],
  ];
  return (
    <table className="w-full max-w-lg text-[1rem]">
      <caption className="sr-only">{t('records.backupsPanel.theDatabaseComparedWithThe')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <td className="py-1.5 font-[inherit]" />
          <ColumnHead>{t('records.backupsPanel.now')}</ColumnHead>
          <ColumnHead>{t('records.backupsPanel.inTheBackup')}</ColumnHead>
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
