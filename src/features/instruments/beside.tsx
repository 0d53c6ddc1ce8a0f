'use client';

import { useTranslations } from 'next-intl';
import { useParams } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { STAND_INS, type StandIn } from '@/core/simulate';
import type { Instrument } from '@/data';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { besideNow, standHere, stopSimulated, tryStandIn, type InstrumentsNow } from './actions';

/** In a session: which instrument stands beside this ball, and in the demo a simulated one to try it with. */
export function Beside() {
  const t = useTranslations();
  const { id: sessionId } = useParams<{ id: string }>();
  const [known, setKnown] = useState<InstrumentsNow | null>(null);
  const [busy, work] = useTransition();
  const refresh = () => besideNow(null).then((told) => void (told.ok && setKnown(told.value)));
  useEffect(() => void refresh(), []);
  if (!known) return null;
  const { instruments, demo, simulated } = known;
  if (instruments.length === 0 && !demo) return null;
  const put = ({ id, name, sessionId: where }: Instrument) =>
    work(async () => {
      const here = where !== sessionId;
      const done = await standHere({ id, sessionId: here ? sessionId : null });
      if (!showErrors(done)) return;
      toast(
        here
          ? t('instruments.beside.nowSendsItsPuttsTo', { name })
          : t('instruments.beside.isNoLongerAssignedTo', { name }),
      );
      await refresh();
    });
  const attempt = (kind: StandIn) =>
    work(async () => {
      const on = simulated.includes(STAND_INS[kind].name);
      const done = on ? await stopSimulated({ kind }) : await tryStandIn({ sessionId, kind });
      if (!showErrors(done)) return;
      toast(
        on
          ? t('instruments.beside.noMoreSimulatedPutts', { instrument: STAND_INS[kind].name })
          : t('instruments.beside.aSimulatedPlayerHits20', { instrument: STAND_INS[kind].name }),
      );
      await refresh();
    });
  return (
    <section className="grid gap-2 border-t border-rule pt-3">
      <h3 className="text-[1rem] font-[640]">
        {t('instruments.beside.instrumentsForThisSession')}
      </h3>
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
            {one.sessionId === sessionId
              ? t('instruments.beside.inUseHere')
              : t('instruments.beside.useHere')}
          </small>
        </Button>
      ))}
      {demo &&
        (Object.keys(STAND_INS) as StandIn[]).map((kind) => (
          <Button key={kind} className="min-h-12" disabled={busy} onClick={() => attempt(kind)}>
            {simulated.includes(STAND_INS[kind].name)
              ? t('instruments.beside.stopTheSimulated')
              : t('instruments.beside.simulateA')}
            {STAND_INS[kind].name.toLowerCase()}
          </Button>
        ))}
    </section>
  );
}
