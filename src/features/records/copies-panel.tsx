'use client';

import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { Contents, Copy } from '@/data';
import { Button } from '@/ui/button';
import { ColumnHead } from '@/ui/column-head';
import { TextField } from '@/ui/field';
import { SheetDialog } from '@/ui/sheet-dialog';
import { showErrors } from '../shared/show-errors';
import { goBackTo, lookAtCopy } from './copy-actions';

const KIND_WORDS: Record<Copy['kind'], string> = {
  copy: 'a copy',
  before: 'kept before Dirigo was renewed',
  replaced: 'what a copy took the place of',
};

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;

interface Looked {
  file: string;
  name: string;
  here: Contents;
  there: Contents;
}

/** The copies there are, and the way back to one: looked at first, and asked twice. */
export function CopiesPanel({ copies, now }: { copies: Copy[]; now: Date }) {
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [looked, setLooked] = useState<Looked | null>(null);
  const [sure, setSure] = useState(false);
  const [other, setOther] = useState('');
  const [wrong, setWrong] = useState<string>();
  const look = (file: string, name: string, tell: (message: string) => void) =>
    begin(async () => {
      setWrong(undefined);
      const answer = await lookAtCopy(file);
      if (!answer.ok) {
        tell(answer.message);
        return;
      }
      setSure(false);
      setLooked({ file, name, ...answer.value });
    });
  const goBack = (file: string) =>
    begin(async () => {
      const answer = await goBackTo(file);
      if (!showErrors(answer)) return;
      setLooked(null);
      toast(`Done. What was here is kept as ${answer.value}.`, { duration: 20_000 });
      router.refresh();
    });
  return (
    <>
      {copies.length === 0 ? (
        <p className="text-[1rem] text-ink2">No copy yet. The first is made by itself, soon.</p>
      ) : (
        <ul>
          {copies.map(({ file, madeAt, bytes, kind }) => {
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
                    · {formatDistance(madeAt, now, { addSuffix: true })} · {KIND_WORDS[kind]},{' '}
                    {megabytes(bytes)}
                  </span>
                </p>
                <Button
                  disabled={busy}
                  aria-label={`Look at the copy of ${name}`}
                  onClick={() => look(file, name, toast.error)}
                >
                  Look
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
          look(other, other, setWrong);
        }}
      >
        <div className="min-w-0 flex-1">
          <TextField
            label="Another file on this machine"
            value={other}
            error={wrong}
            onChange={({ target }) => setOther(target.value)}
          />
        </div>
        <Button type="submit" disabled={busy}>
          Look
        </Button>
      </form>
      <SheetDialog
        title={looked ? `The copy of ${looked.name}` : ''}
        sub="checked, and whole"
        open={looked !== null}
        onOpen={(open) => {
          if (!open) setLooked(null);
        }}
      >
        {looked && (
          <div className="grid gap-4 pt-3">
            <Against {...looked} />
            <p className="max-w-prose text-[0.9375rem] text-ink2">
              Going back puts this copy in the place of what is here. What is here is kept under a
              name of its own, among the copies. Links and devices that were ended since stay ended;
              you may have to sign in again.
            </p>
            <div className="flex flex-wrap gap-2.5">
              {sure ? (
                <>
                  <Button kind="primary" disabled={busy} onClick={() => goBack(looked.file)}>
                    Yes, put it in the place of what is here
                  </Button>
                  <Button onClick={() => setLooked(null)}>Leave it as it is</Button>
                </>
              ) : (
                <Button kind="primary" onClick={() => setSure(true)}>
                  Go back to this copy
                </Button>
              )}
            </div>
          </div>
        )}
      </SheetDialog>
    </>
  );
}

/** What is in a copy beside what is here. */
function Against({ here, there }: { here: Contents; there: Contents }) {
  const day = ({ newest }: Contents) => (newest ? format(newest, 'd MMM yyyy, HH:mm') : 'none');
  const rows: [string, string | number, string | number][] = [
    ['Students', here.students, there.students],
    ['Sessions', here.sessions, there.sessions],
    ['Putts', here.putts, there.putts],
    ['Newest session', day(here), day(there)],
  ];
  return (
    <table className="w-full max-w-lg text-[1rem]">
      <caption className="sr-only">What is here, and what is in the copy</caption>
      <thead>
        <tr className="border-b text-left cap">
          <td className="py-1.5 font-[inherit]" />
          <ColumnHead>here now</ColumnHead>
          <ColumnHead>in the copy</ColumnHead>
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
