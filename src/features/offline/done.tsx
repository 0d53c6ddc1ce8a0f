'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useState } from 'react';
import { tallyRuns } from '@/core/drill';
import { Button } from '@/ui/button';
import { NoteForm } from '../session/note-form';
import { passWord } from '../session/outcome-words';
import type { WireRun } from '../session/wire';
import type { BegunHere } from './begun';
import { changeBegun, loggedOf } from './device';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { timeOf } from './stamps';

const ofRun = ({ putts }: WireRun) =>
  putts.filter(({ undone, leftOut }) => !undone && !leftOut).map(({ outcomes }) => outcomes);

/** What was done in a session that was begun here: putt by putt on each drill, and a note; scores come with the server. */
export function Done({
  home,
  id,
  session,
  online,
  go,
  again,
}: ShellPart & {
  id: string;
  /** Null once all of it is on the server. */
  session: BegunHere | null;
}) {
  const t = useTranslations();
  const back = () => go('?');
  if (!session) {
    const there = home === '' ? `/sessions/${id}/review` : `/home/${home}/sessions/${id}/done`;
    return (
      <main className="min-h-dvh bg-paper">
        <ShellHead title={t('offline.done.sessionSentToTheServer')} online={online} onBack={back} />
        <div className="grid justify-items-start gap-4 px-4 pt-5 md:px-7">
          <p className="text-[1.0625rem]">{t('offline.done.theResultsAreCalculatedThere')}</p>
          <Button kind="primary" onClick={() => go(there)}>
            {t('offline.done.viewSession')}
          </Button>
          <Button onClick={back}>{t('offline.done.startNextSession')}</Button>
        </div>
      </main>
    );
  }
  const reopen = async () => {
    await changeBegun(id, (one) => ({ ...one, finishedAt: null }));
    await again();
    go(`?session=${id}`);
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead title={session.name} online={online} onBack={back}>
        <p className="text-[1rem] text-ink2">
          {t('offline.done.startedSavedOnThisDevice', { startedAt: timeOf(session.startedAt) })}
        </p>
      </ShellHead>
      <section
        aria-label={t('offline.done.sessionSummary')}
        className="max-w-2xl px-4 pt-5 md:px-7"
      >
        {session.runs.map((run) => (
          <RunLine key={run.id} run={run} />
        ))}
      </section>
      {home === '' && <Note key={session.id} session={session} again={again} />}
      <div className="flex flex-wrap gap-2.5 px-4 pt-6 md:px-7">
        <Button kind="primary" onClick={back}>
          {t('offline.done.startNextSession')}
        </Button>
        <Button onClick={() => void reopen()}>{t('offline.done.resumeSession')}</Button>
      </div>
    </main>
  );
}

function RunLine({ run }: { run: BegunHere['runs'][number] }) {
  const t = useTranslations();
  const [logged, setLogged] = useState<WireRun | null>(null);
  useEffect(() => {
    void loggedOf(run.id).then(setLogged);
  }, [run.id]);
  const putts = logged ? ofRun(logged) : [];
  const { clear } = tallyRuns([{ layout: run.layout, putts }]);
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule py-2.5">
      <p className="text-[1.0625rem]">
        <strong className="font-[640]">{run.drillName}</strong>
        {run.rung !== null && (
          <span className="text-ink2"> {t('offline.done.rung', { rung: run.rung + 1 })}</span>
        )}
        {run.cold && <span className="text-ink2"> {t('offline.done.coldTest')}</span>}
      </p>
      <p className="text-[1.25rem] num whitespace-nowrap">
        {t('offline.done.of', { clear, putts: putts.length, passWord: passWord(run.layout) })}
      </p>
    </div>
  );
}

function Note({ session, again }: { session: BegunHere; again(): Promise<void> }) {
  const t = useTranslations();
  const [said, setSaid] = useState('');
  const keep = async (note: string) => {
    try {
      await changeBegun(session.id, (one) => ({ ...one, note }));
      setSaid(t('offline.done.noteSavedOnThisDevice'));
      await again();
    } catch {
      setSaid(t('offline.done.thisDeviceCouldNotSave'));
    }
  };
  return (
    <section aria-label={t('offline.done.coachsNote')} className="px-4 pt-5 md:px-7">
      <NoteForm note={session.note} busy={false} onKeep={(text) => void keep(text)} />
      <p role="status" className="min-h-6 text-[0.9375rem] text-ink2">
        {said}
      </p>
    </section>
  );
}
