'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { useEffect, useMemo, useState } from 'react';
import { counted } from './counted';
import { Logging } from '../session/logging';
import type { PlayerRun } from '../session/play';
import { WaysProvider, type Ways } from '../session/ways';
import type { ActionResult } from '../shared/result';
import { moved, ownerNameOf, playerOf, rotated, swapped, type BegunHere } from './begun';
import { changeBegun, loggedOf } from './device';
import { drillOptions } from './drill-options';
import { introduce, pathsOf } from './sync';
import type { ShellPart } from './shell';
import { STAMPS } from './stamps';

const done: ActionResult<null> = { ok: true, value: null };

/** What cannot be is told as a server would tell it. */
async function trying(t: Translate, work: () => Promise<void>): Promise<ActionResult<null>> {
  try {
    await work();
    return done;
  } catch (error) {
    const message =
      error instanceof RangeError ? error.message : t('offline.going.thisDeviceCouldNotSave');
    return { ok: false, message, fields: {} };
  }
}

/** A session that was begun here, as it is logged: what a server would make is made on this device. */
export function Going({
  home,
  kept,
  begun,
  go,
  again,
  session,
}: ShellPart & { session: BegunHere }) {
  const t = useTranslations();
  const group = useMemo(
    () =>
      session.groupId === null
        ? [session]
        : begun.filter(
            ({ groupId, finishedAt }) => groupId === session.groupId && finishedAt === null,
          ),
    [begun, session],
  );
  const [players, setPlayers] = useState<PlayerRun[] | null>(null);
  useEffect(() => {
    let ended = false;
    const read = async () => {
      const ids = group.flatMap((one) => one.runs.map(({ id }) => id));
      const logged = new Map(
        await Promise.all(ids.map(async (id) => [id, await loggedOf(id)] as const)),
      );
      if (ended) return;
      setPlayers(group.map((one) => playerOf(t, kept, one, logged)));
    };
    void read();
    return () => {
      ended = true;
    };
  }, [t, kept, group]);
  const ways = useMemo((): Ways => {
    const changing = (id: string, change: (one: BegunHere) => BegunHere) =>
      trying(t, () => changeBegun(id, change));
    return {
      sendTo: pathsOf(home).putts,
      live: null,
      sender: { home, owner: session.owner ?? kept.owner, ownerName: ownerNameOf(t, kept, home) },
      reopen: (id) => changing(id, (one) => ({ ...one, finishedAt: null })),
      move: ({ sessionId, rung }) =>
        changing(sessionId, (one) => moved(t, kept, one, rung, STAMPS.newId)),
      swap:
        home === ''
          ? ({ sessionId, drillId, rung }) =>
              changing(sessionId, (one) =>
                swapped(t, kept, one, { ref: drillId, rung }, STAMPS.newId),
              )
          : null,
      rotate:
        home === '' && group.length > 1
          ? () =>
              trying(t, async () => {
                for (const next of rotated(t, kept, group, STAMPS.newId)) {
                  await changeBegun(next.id, (one) => ({ ...one, runs: next.runs }));
                }
              })
          : null,
      next: null,
      built: null,
      head: null,
      more: null,
      player: () => '?',
      review: (id) => `?review=${id}`,
      start: '?',
      apart: {
        finish: async () => {
          const at = STAMPS.now();
          const ended = await trying(t, async () => {
            for (const { id } of group)
              await changeBegun(id, (one) => ({ ...one, finishedAt: at }));
          });
          if (!ended.ok) return ended;
          const putts = await Promise.all(group.map(counted));
          await again();
          return {
            ok: true,
            value: group.flatMap(({ id }, index) => (putts[index]! > 0 ? [id] : [])),
          };
        },
        before: (runId) => introduce(home, runId),
        go,
        again: () => void again(),
      },
    };
  }, [t, home, kept, group, session.owner, go, again]);
  const drills = useMemo(() => drillOptions(t, kept), [t, kept]);
  if (!players) return <main className="min-h-dvh bg-paper" aria-busy="true" />;
  const first = Math.max(
    0,
    players.findIndex(({ sessionId }) => sessionId === session.id),
  );
  return (
    <WaysProvider value={ways}>
      <Logging
        players={players}
        first={first}
        units={kept.units}
        drills={home === '' ? drills : []}
      />
    </WaysProvider>
  );
}
