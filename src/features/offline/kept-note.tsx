'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
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
    [t('offline.keptNote.upToDate'), timeOf(kept.at)],
    [
      home === '' ? t('offline.keptNote.students') : t('offline.keptNote.student'),
      home === ''
        ? t('offline.keptNote.nameHandPutterAndSkills', { students: kept.students.length })
        : (kept.students[0]?.name ?? ''),
    ],
    [
      home === '' ? t('offline.keptNote.drills') : t('offline.keptNote.homework'),
      String(kept.drills.length),
    ],
    ...(home === ''
      ? ([[t('offline.keptNote.appointmentsTodayAndTomorrow'), String(kept.coming.length)]] as [
          string,
          string,
        ][])
      : []),
    [t('offline.keptNote.measuredPhotosNeverSent'), photos === null ? '…' : String(photos)],
    [t('offline.keptNote.sessionsNotSentYet'), queue === null ? '…' : String(sessions)],
    [t('offline.keptNote.puttsNotSentYet'), queue === null ? '…' : String(puttsWaiting(runs))],
    [
      t('offline.keptNote.storageUsed'),
      bytes === null
        ? t('offline.keptNote.notReportedByThisBrowser')
        : t('offline.keptNote.mB', { bytes: (bytes / 1e6).toFixed(1) }),
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
      <ShellHead
        title={t('offline.keptNote.onThisDevice')}
        online={online}
        onBack={() => go('?')}
      />
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
        <p className="text-[1rem]">{t('offline.keptNote.theDataContainsOnlyWhat')}</p>
        {sure && (
          <div role="alert" className="grid gap-2.5 border-2 border-warn bg-sheet px-3 py-2.5">
            <p className="text-[1rem]">
              {t('offline.keptNote.withoutThisDataYouCannot')}
              {!!photos && t('offline.keptNote.thePhotosExistNowhereElse')}
            </p>
            {waits && (
              <>
                <p className="text-[1rem]">
                  {t.rich('offline.keptNote.notSentYetTheyStay', {
                    amountWaiting: amountWaiting(t, runs),
                    sessions,
                    runsPositive: String(runs.length > 0),
                    strong: (chunks) => <strong>{chunks}</strong>,
                  })}
                </p>
                <div>
                  <Button onClick={() => void save()}>
                    {t('offline.keptNote.saveThemAsAFile')}
                  </Button>
                </div>
              </>
            )}
          </div>
        )}
        <div className="flex flex-wrap gap-2.5">
          <Button disabled={!online} onClick={() => void refreshKept(home, true).then(again)}>
            {t('offline.keptNote.updateNow')}
          </Button>
          {sure ? (
            <>
              <Button kind="primary" onClick={() => void empty()}>
                {t('offline.keptNote.yesDeleteTheData')}
              </Button>
              <Button onClick={() => setSure(false)}>{t('offline.keptNote.cancel')}</Button>
            </>
          ) : (
            <Button onClick={() => setSure(true)}>
              {t('offline.keptNote.deleteDataOnThisDevice')}
            </Button>
          )}
        </div>
      </div>
    </main>
  );
}
