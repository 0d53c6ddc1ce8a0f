'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { copyNow, keepFolder } from './copy-actions';

/** Where copies are put, and one made now. */
export function CopiesFolder({ folder, usual }: { folder: string; usual: string }) {
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState(folder);
  const [wrong, setWrong] = useState<string>();
  const keep = () =>
    begin(async () => {
      const answer = await keepFolder({ folder: typed });
      setWrong(answer.ok ? undefined : (answer.fields.folder ?? answer.message));
      if (answer.ok) toast('Copies go there from now on.');
      router.refresh();
    });
  const make = () =>
    begin(async () => {
      if (showErrors(await copyNow(null))) toast('A copy is made, and checked.');
      router.refresh();
    });
  return (
    <div className="grid gap-3">
      <TextField
        label="Folder of the copies"
        placeholder={usual}
        value={typed}
        hint="a whole path, on another disk if you have one; left empty, beside the database"
        error={wrong}
        onChange={({ target }) => setTyped(target.value)}
      />
      <div className="flex flex-wrap gap-2.5">
        <Button disabled={busy} onClick={keep}>
          Save the folder
        </Button>
        <Button kind="primary" disabled={busy} onClick={make}>
          Make a copy now
        </Button>
        <Button asChild>
          <a href="/records/copy" download>
            Take a copy along
          </a>
        </Button>
      </div>
    </div>
  );
}
