'use client';

import { format } from '@/ui/when';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { Instrument, LeftLine } from '@/data';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import type { ActionResult } from '../shared/result';
import { showErrors } from '../shared/show-errors';
import { endNow, forgetLines, linesLeft, makeInstrument, standHere } from './actions';

/** Beside no session in particular. */
const ANY = 'any';

/** A session that an instrument can stand beside. */
export interface OpenSession {
  value: string;
  label: string;
}

/** The instruments that send putts: each with what it sent last, and a place beside an open session. */
export function Instruments({
  instruments,
  open,
  address,
  mayAdd,
}: {
  instruments: Instrument[];
  open: OpenSession[];
  /** Where lines are sent. */
  address: string;
  /** An assistant uses those that there are. */
  mayAdd: boolean;
}) {
  const [secret, setSecret] = useState<{ name: string; secret: string } | null>(null);
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState<string>();
  const [busy, work] = useTransition();
  const router = useRouter();
  return (
    <div className="grid gap-4">
      {instruments.length === 0 ? (
        <p className="max-w-prose text-[1rem]">
          There are no instruments yet. A putting sensor, a wrist sensor or a balance plate can send
          each putt to the open session. The program that reads the instrument needs the secret key
          created here.
        </p>
      ) : (
        <ul>
          {instruments.map((one) => (
            <One key={one.id} instrument={one} open={open} />
          ))}
        </ul>
      )}
      {secret && (
        <div role="status" className="grid gap-2 border-2 border-ink bg-sheet px-4 py-3">
          <p className="text-[1.0625rem]">
            Secret key of <strong>{secret.name}</strong>, shown only once:
          </p>
          <code className="border border-rule px-2 py-1.5 text-[1rem] break-all select-all">
            {secret.secret}
          </code>
          <p className="text-[0.9375rem] text-ink2">
            Send lines of JSON to <code className="break-all">{address}</code> with the header{' '}
            <code>Authorization: Bearer …</code>, one line per putt. The{' '}
            <a href="/instrument.schema.json" className="underline underline-offset-4">
              line schema
            </a>{' '}
            describes what a line can contain.
          </p>
          <div>
            <Button onClick={() => setSecret(null)}>I have copied it</Button>
          </div>
        </div>
      )}
      {mayAdd && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            work(async () => {
              const made: ActionResult<string> = await makeInstrument({ name });
              if (!made.ok) {
                setWrong(Object.values(made.fields)[0] ?? made.message);
                return;
              }
              setWrong(undefined);
              setSecret({ name: name.trim(), secret: made.value });
              setName('');
              router.refresh();
            });
          }}
        >
          <div className="w-[260px]">
            <TextField
              label="New instrument"
              placeholder="Sensor on the mat"
              value={name}
              error={wrong}
              onChange={(event) => setName(event.target.value)}
            />
          </div>
          <Button type="submit" disabled={busy}>
            Add instrument
          </Button>
        </form>
      )}
    </div>
  );
}

function One({ instrument, open }: { instrument: Instrument; open: OpenSession[] }) {
  const { id, name, seenAt, sessionId, waiting, refused } = instrument;
  const [busy, work] = useTransition();
  const [lines, setLines] = useState<LeftLine[] | null>(null);
  const router = useRouter();
  const troubles = [
    waiting > 0 &&
      `${waiting} ${waiting === 1 ? 'reading is' : 'readings are'} waiting for a session`,
    refused > 0 && `${refused} ${refused === 1 ? 'reading' : 'readings'} could not be understood`,
  ].filter(Boolean);
  return (
    <li className="grid gap-2 border-b border-rule py-3 last:border-0">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p className="text-[1.0625rem] font-[620]">{name}</p>
          <p className="text-[0.9375rem] text-ink2">
            {seenAt ? `last sent ${format(seenAt, 'd MMMM, HH:mm:ss')}` : 'nothing sent yet'}
          </p>
        </div>
        <div className="flex flex-wrap items-end gap-2.5">
          <div className="w-[264px]">
            <Pick
              label="Session"
              placeholder="Choose a session"
              value={sessionId ?? ANY}
              options={[{ value: ANY, label: 'the open session' }, ...open]}
              onChange={(value) =>
                work(async () => {
                  const done = await standHere({ id, sessionId: value === ANY ? null : value });
                  if (showErrors(done) && done.value > 0) {
                    toast(
                      `${done.value} waiting ${done.value === 1 ? 'reading was' : 'readings were'} added.`,
                    );
                  }
                })
              }
            />
          </div>
          <Button
            disabled={busy}
            aria-label={`Disconnect ${name}`}
            onClick={() =>
              work(async () => {
                if (showErrors(await endNow(id)))
                  toast(`${name} can no longer send putts. The putts it sent are kept.`);
              })
            }
          >
            Disconnect
          </Button>
        </div>
      </div>
      {troubles.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[0.9375rem] font-[560] text-line">
          ▲ {troubles.join('; ')}
          <button
            type="button"
            className="min-h-11 underline underline-offset-4"
            onClick={() =>
              work(async () => {
                const told = await linesLeft(id);
                if (showErrors(told)) setLines(told.value);
              })
            }
          >
            View readings
          </button>
          {refused > 0 && (
            <button
              type="button"
              className="min-h-11 underline underline-offset-4"
              onClick={() =>
                work(async () => {
                  if (showErrors(await forgetLines(id))) {
                    setLines(null);
                    router.refresh();
                  }
                })
              }
            >
              Discard readings that could not be understood
            </button>
          )}
        </p>
      )}
      {lines && (
        <ul className="grid gap-2 border-l-[3px] border-ink pl-3 text-[0.9375rem]">
          {lines.map((line) => (
            <li key={line.id}>
              <span className="num text-ink2">{format(line.at, 'd MMM, HH:mm:ss')}</span>{' '}
              {line.reason}
              <code className="block text-[0.8125rem] break-all text-ink2">
                {line.line.slice(0, 300)}
              </code>
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}
