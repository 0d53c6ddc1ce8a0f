'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui/button';
import { saveText } from '@/ui/save-text';
import { photoCount } from '../photo/kept-photos';
import { allWaiting } from '../session/queue';
import { toSend } from './begun';
import { emptyDevice } from './device';
import { RefusedEntries } from './refused-entries';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { timeOf } from './stamps';
import { refreshKept } from './sync';
import { puttsWaiting, useWaiting } from './use-waiting';
import { amountWaiting } from './waiting-words';

/** What this device keeps: what, how much, since when; and a way to empty it. */
export function KeptNote({ home, kept, begun, online, go, again }: ShellPart) {
  const queue = useWaiting();
  const [photos, setPhotos] = useState<number | null>(null);
  const [bytes, setBytes] = useState<number | null>(null);
  const [sure, setSure] = useState(false);
  useEffect(() => {
    photoCount()
      .then(setPhotos)
      .catch(() => undefined);
    void navigator.storage
      ?.estimate?.()
      .then(({ usage }) => setBytes(usage ?? null))
      .catch(() => undefined);
  }, [kept, begun]);
  const runs = queue?.runs ?? [];
  const apart = new Set(begun.flatMap((session) => session.runs.map(({ id }) => id)));
  /** Sessions that were started here, and those of the server of which something waits. */
  const sessions = begun.length + runs.filter(({ runId }) => !apart.has(runId)).length;
  const waits = begun.length > 0 || runs.length > 0;
  const rows: [string, string][] = [
    ['Up to date', timeOf(kept.at)],
    [
      home === '' ? 'Students' : 'Student',
      home === ''
        ? `${kept.students.length}: name, hand, putter and skills`
        : (kept.students[0]?.name ?? ''),
    ],
    [home === '' ? 'Drills' : 'Homework', String(kept.drills.length)],
    ...(home === ''
      ? ([['Appointments today and tomorrow', String(kept.coming.length)]] as [string, string][])
      : []),
    ['Measured photos, never sent', photos === null ? '…' : String(photos)],
    ['Sessions not sent yet', queue === null ? '…' : String(sessions)],
    ['Putts not sent yet', queue === null ? '…' : String(puttsWaiting(runs))],
    [
      'Storage used',
      bytes === null ? 'not reported by this browser' : `${(bytes / 1e6).toFixed(1)} MB`,
    ],
  ];
  const save = async () => {
    const waiting = { events: await allWaiting(), sessions: begun.map(toSend) };
    saveText(
      `not-sent-${kept.at.slice(0, 10)}.json`,
      JSON.stringify(waiting, null, 2),
      'application/json',
    );
  };
  const empty = async () => {
    await emptyDevice();
    await again();
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead title="On this device" online={online} onBack={() => go('?')} />
      <div className="grid max-w-2xl gap-5 px-4 pt-5 md:px-7">
        <RefusedEntries />
        <dl>
          {rows.map(([name, value]) => (
            <div
              key={name}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-3 border-b border-rule py-2.5 text-[1.0625rem]"
            >
              <dt className="text-ink2">{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        <p className="text-[1rem]">
          The data contains only what you may see yourself. It is deleted when you sign out on this
          device, and updated whenever you open Dirigo online.
        </p>
        {sure && (
          <div role="alert" className="grid gap-2.5 border-2 border-warn bg-sheet px-3 py-2.5">
            <p className="text-[1rem]">
              Without this data you cannot start a session here until you are online again.
              {!!photos && ' The photos exist nowhere else.'}
            </p>
            {waits && (
              <>
                <p className="text-[1rem]">
                  <strong>
                    {runs.length > 0 ? amountWaiting(runs) : `${sessions} sessions`} not sent yet.
                  </strong>{' '}
                  They stay on this device until they are sent. To be safe, save them as a file as
                  well.
                </p>
                <div>
                  <Button onClick={() => void save()}>Save them as a file</Button>
                </div>
              </>
            )}
          </div>
        )}
        <div className="flex flex-wrap gap-2.5">
          <Button disabled={!online} onClick={() => void refreshKept(home, true).then(again)}>
            Update now
          </Button>
          {sure ? (
            <>
              <Button kind="primary" onClick={() => void empty()}>
                Yes, delete the data
              </Button>
              <Button onClick={() => setSure(false)}>Cancel</Button>
            </>
          ) : (
            <Button onClick={() => setSure(true)}>Delete data on this device…</Button>
          )}
        </div>
      </div>
    </main>
  );
}
