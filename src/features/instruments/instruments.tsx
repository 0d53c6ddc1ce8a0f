'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
  const [secret, setSecret] = useState<{ name: string; secret: string } | null>(null);
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState<string>();
  const [busy, work] = useTransition();
  const router = useRouter();
  return (
    <div className="grid gap-4">
      {instruments.length === 0 ? (
        <p className="max-w-prose text-[1rem]">
          {t('instruments.instruments.thereAreNoInstrumentsYet')}
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
            {t.rich('instruments.instruments.secretKeyOfShownOnly', {
              secret: secret.name,
              strong: (chunks) => <strong>{chunks}</strong>,
            })}
          </p>
          <code className="border border-rule px-2 py-1.5 text-[1rem] break-all select-all">
            {secret.secret}
          </code>
          <p className="text-[0.9375rem] text-ink2">
            {t.rich('instruments.instruments.sendLinesOfJSONTo', {
              address,
              code: (chunks) => <code className="break-all">{chunks}</code>,
              code2: (chunks) => <code>{chunks}</code>,
              a: (chunks) => (
                <a href="/instrument.schema.json" className="underline underline-offset-4">
                  {chunks}
                </a>
              ),
            })}
          </p>
          <div>
            <Button onClick={() => setSecret(null)}>
              {t('instruments.instruments.iHaveCopiedIt')}
            </Button>
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
              label={t('instruments.instruments.newInstrument')}
              placeholder={t('instruments.instruments.sensorOnTheMat')}
              value={name}
              error={wrong}
              onChange={(event) => setName(event.target.value)}
            />
          </div>
          <Button type="submit" disabled={busy}>
            {t('instruments.instruments.addInstrument')}
          </Button>
        </form>
      )}
    </div>
  );
}

function One({ instrument, open }: { instrument: Instrument; open: OpenSession[] }) {
  const t = useTranslations();
  const { id, name, seenAt, sessionId, waiting, refused } = instrument;
  const [busy, work] = useTransition();
  const [lines, setLines] = useState<LeftLine[] | null>(null);
  const router = useRouter();
  const troubles = [
    waiting > 0 && t('instruments.instruments.readingIsWaitingForA', { waiting }),
    refused > 0 && t('instruments.instruments.readingCouldNotBeUnderstood', { refused }),
  ].filter(Boolean);
  return (
    <li className="grid gap-2 border-b border-rule py-3 last:border-0">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p className="text-[1.0625rem] font-[620]">{name}</p>
          <p className="text-[0.9375rem] text-ink2">
            {seenAt
              ? t('instruments.instruments.lastSent', { date: format(seenAt, 'd MMMM, HH:mm:ss') })
              : t('instruments.instruments.nothingSentYet')}
          </p>
        </div>
        <div className="flex flex-wrap items-end gap-2.5">
          <div className="w-[264px]">
            <Pick
              label={t('instruments.instruments.session')}
              placeholder={t('instruments.instruments.chooseASession')}
              value={sessionId ?? ANY}
              options={[
                { value: ANY, label: t('instruments.instruments.theOpenSession') },
                ...open,
              ]}
              onChange={(value) =>
                work(async () => {
                  const done = await standHere({ id, sessionId: value === ANY ? null : value });
                  if (showErrors(done) && done.value > 0) {
                    toast(
                      t('instruments.instruments.waitingReadingWasAdded', { done: done.value }),
                    );
                  }
                })
              }
            />
          </div>
          <Button
            disabled={busy}
            aria-label={t('instruments.instruments.disconnect', { name })}
            onClick={() =>
              work(async () => {
                if (showErrors(await endNow(id)))
                  toast(t('instruments.instruments.canNoLongerSendPutts', { name }));
              })
            }
          >
            {t('instruments.instruments.disconnect2')}
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
            {t('instruments.instruments.viewReadings')}
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
              {t('instruments.instruments.discardReadingsThatCouldNot')}
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
