'use client';

import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { SheetDialog } from '@/ui/sheet-dialog';
import { emptyDevice } from '../offline/device';
import { showErrors } from '../shared/show-errors';
import { erase } from './actions';

/** What a student can ask for: all that is kept of them as a file, and to be erased. Either is asked twice. */
export function Rights({
  student,
  given,
  sessions,
  putts,
}: {
  student: string;
  given: string;
  /** How much there is. */
  sessions: number;
  putts: number;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState<'file' | 'erase' | null>(null);
  const [busy, begin] = useTransition();
  const much = `${sessions} ${sessions === 1 ? 'session' : 'sessions'} and ${putts} ${putts === 1 ? 'putt' : 'putts'}`;
  const eraseNow = () =>
    begin(async () => {
      if (!showErrors(await erase(student))) return;
      await emptyDevice();
      router.replace('/students');
      toast(`${given} is erased: ${much}. Settings keeps the receipt.`);
    });
  return (
    <SheetDialog
      title={`What is kept of ${given}`}
      sub={much}
      open={open}
      onOpen={(next) => {
        setOpen(next);
        setSure(null);
      }}
      trigger={<Button>Their data</Button>}
    >
      <div className="mt-3 grid gap-6">
        <section aria-label="A file of everything" className="grid gap-2">
          <h3 className="text-[1.25rem] num">A file of everything</h3>
          <p className="text-[1rem]">
            All that is kept of {given}, your notes too, in one zip file: tables for a spreadsheet,
            everything as JSON, and the report.
          </p>
          {sure === 'file' ? (
            <div className="flex flex-wrap gap-2.5">
              <Button asChild kind="primary">
                <a href={`/students/${student}/everything`} download onClick={() => setSure(null)}>
                  <Download size={17} aria-hidden /> Yes, make it, with the notes
                </a>
              </Button>
              <Button onClick={() => setSure(null)}>Not now</Button>
            </div>
          ) : (
            <div>
              <Button onClick={() => setSure('file')}>Make the file</Button>
            </div>
          )}
        </section>
        <section aria-label="Erase" className="grid gap-2 border-t border-rule pt-4">
          <h3 className="text-[1.25rem] num">Erase {given}</h3>
          <p className="text-[1rem]">
            Takes out {much}, dates, programmes, homework, the page at home and all of the history.
            It cannot be undone. Copies made before still hold them for up to eight weeks; who goes
            back to one erases them again with it. What other notes say of {given} in words stays.
          </p>
          {sure === 'erase' ? (
            <div className="flex flex-wrap gap-2.5">
              <Button kind="primary" disabled={busy} onClick={eraseNow}>
                {busy ? 'Erasing…' : `Yes, erase ${given} for good`}
              </Button>
              <Button disabled={busy} onClick={() => setSure(null)}>
                Leave it as it is
              </Button>
            </div>
          ) : (
            <div>
              <Button onClick={() => setSure('erase')}>Erase {given}…</Button>
            </div>
          )}
        </section>
      </div>
    </SheetDialog>
  );
}
