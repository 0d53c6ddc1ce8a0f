'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui/button';
import { photoCount } from '../photo/kept-photos';
import { waitingHere } from '../session/queue';
import { emptyDevice } from './device';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { refreshKept } from './sync';
import { timeOf } from './stamps';

/** What this device keeps: what, how much, since when; and a way to be rid of it. */
export function KeptNote({ home, kept, begun, online, go, again }: ShellPart) {
  const [waiting, setWaiting] = useState<number | null>(null);
  const [photos, setPhotos] = useState<number | null>(null);
  const [bytes, setBytes] = useState<number | null>(null);
  const [sure, setSure] = useState(false);
  useEffect(() => {
    void waitingHere().then(setWaiting);
    photoCount()
      .then(setPhotos)
      .catch(() => undefined);
    void navigator.storage
      ?.estimate?.()
      .then(({ usage }) => setBytes(usage ?? null))
      .catch(() => undefined);
  }, [kept, begun]);
  const rows: [string, string][] = [
    ['Kept since', timeOf(kept.at)],
    [
      home === '' ? 'Students' : 'Whose',
      home === ''
        ? `${kept.students.length}: name, hand, putter, and what is known of their putting`
        : (kept.students[0]?.name ?? ''),
    ],
    [home === '' ? 'Drills' : 'Homework', String(kept.drills.length)],
    ...(home === ''
      ? ([['Dates, today and tomorrow', String(kept.coming.length)]] as [string, string][])
      : []),
    ['Photos that were measured, never sent', photos === null ? '…' : String(photos)],
    ['Sessions begun here, not all on the server', String(begun.length)],
    ['What was logged and waits to be sent', waiting === null ? '…' : String(waiting)],
    [
      'Room it all takes',
      bytes === null ? 'this browser does not say' : `${(bytes / 1e6).toFixed(1)} MB`,
    ],
  ];
  const waits = begun.length > 0 || (waiting ?? 0) > 0;
  const empty = async () => {
    await emptyDevice();
    await again();
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead title="Kept on this device" online={online} onBack={() => go('?')} />
      <div className="grid max-w-2xl gap-5 px-4 pt-5 md:px-7">
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
          It is only what you may see yourself, and is emptied when this device is signed out. It is
          brought up to date whenever Dirigo is opened with a signal.
        </p>
        {sure && (
          <p role="alert" className="text-[1rem]">
            Without it nothing can be begun here until there is a signal again.
            {!!photos && ' The photos are nowhere else.'}
            {waits && ' What was logged and is not on the server yet stays until it is.'}
          </p>
        )}
        <div className="flex flex-wrap gap-2.5">
          <Button disabled={!online} onClick={() => void refreshKept(home, true).then(again)}>
            Bring it up to date
          </Button>
          {sure ? (
            <>
              <Button kind="primary" onClick={() => void empty()}>
                Yes, empty it
              </Button>
              <Button onClick={() => setSure(false)}>Leave it</Button>
            </>
          ) : (
            <Button onClick={() => setSure(true)}>Empty this device…</Button>
          )}
        </div>
      </div>
    </main>
  );
}
