'use client';

import { useParams } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { STAND_INS, type StandIn } from '@/core/simulate';
import type { Instrument } from '@/data';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { besideNow, standHere, tryStandIn } from './actions';

/** In a session: which instrument stands beside this ball, and in the demo a stand-in to try it with. */
export function Beside() {
  const { id: sessionId } = useParams<{ id: string }>();
  const [known, setKnown] = useState<{ instruments: Instrument[]; demo: boolean } | null>(null);
  const [busy, work] = useTransition();
  useEffect(() => {
    void besideNow(null).then((told) => told.ok && setKnown(told.value));
  }, []);
  if (!known) return null;
  const { instruments, demo } = known;
  if (instruments.length === 0 && !demo) return null;
  const put = ({ id, name, sessionId: where }: Instrument) =>
    work(async () => {
      const here = where !== sessionId;
      const done = await standHere({ id, sessionId: here ? sessionId : null });
      if (!showErrors(done)) return;
      toast(here ? `${name} stands beside this ball.` : `${name} stands beside no session.`);
      const told = await besideNow(null);
      if (told.ok) setKnown(told.value);
    });
  const attempt = (kind: StandIn) =>
    work(async () => {
      const done = await tryStandIn({ sessionId, kind });
      if (showErrors(done)) {
        toast(`${done.value}: a made-up player putts twenty times, one every three seconds.`);
      }
    });
  return (
    <section className="grid gap-2 border-t border-rule pt-3">
      <h3 className="text-[1rem] font-[640]">Instruments beside this ball</h3>
      {instruments.map((one) => (
        <Button
          key={one.id}
          className="min-h-12 justify-between"
          disabled={busy}
          aria-pressed={one.sessionId === sessionId}
          onClick={() => put(one)}
        >
          {one.name}
          <small className="text-[0.875rem] font-[560]">
            {one.sessionId === sessionId ? 'stands here ✓' : 'put it here'}
          </small>
        </Button>
      ))}
      {demo &&
        (Object.keys(STAND_INS) as StandIn[]).map((kind) => (
          <Button key={kind} className="min-h-12" disabled={busy} onClick={() => attempt(kind)}>
            Try a stand-in: {STAND_INS[kind].name.toLowerCase()}
          </Button>
        ))}
    </section>
  );
}
