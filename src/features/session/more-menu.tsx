'use client';

import { useTranslations } from 'next-intl';
import { Ellipsis } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from '@/ui/button';
import { Pick } from '@/ui/pick';
import { Toggle } from '@/ui/toggle';
import { SheetDialog } from '@/ui/sheet-dialog';
import type { DrillOption } from './options';
import { StrokeBeat } from './beat';
import { KeyPanel } from './key-panel';
import { useWays } from './ways';

/** A drill to go on with, and the rung of its ladder, from 0. */
export interface SwapTo {
  drillId: string;
  rung: number | null;
}

/** What is seldom wanted in the middle of a session, one touch away. */
export function MoreMenu({
  drillId,
  drills,
  ladder,
  rung,
  cues,
  busy,
  grouped,
  onPause,
  onRung,
  onSwap,
  onRotate,
  photo,
}: {
  drillId: string;
  drills: DrillOption[];
  ladder: string[];
  rung: number | null;
  cues: {
    sound: boolean;
    setSound: (on: boolean) => void;
    buzz: boolean;
    setBuzz: (on: boolean) => void;
    voice: boolean;
    setVoice: (on: boolean) => void;
  };
  busy: boolean;
  /** Several putt in rotation, at stations of their own. */
  grouped: boolean;
  onPause: () => void;
  onRung: (rung: number) => void;
  onSwap: (to: SwapTo) => void;
  onRotate: () => void;
  /** Measuring from a photo, given what closes this. */
  photo: (done: () => void) => ReactNode;
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const [next, setNext] = useState(drillId);
  const { swap, rotate, more } = useWays();
  const nextDrill = drills.find(({ value }) => value === next);
  const close = (then: () => void) => () => {
    setOpen(false);
    then();
  };
  return (
    <SheetDialog
      returnsFocus={false}
      title={t('session.moreMenu.sessionMenu')}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button className="min-h-12 px-3" aria-label={t('session.moreMenu.more')}>
          <Ellipsis size={20} aria-hidden />
        </Button>
      }
    >
      <div className="mt-4 grid gap-5">
        <Button className="min-h-12" onClick={close(onPause)}>
          {t('session.moreMenu.pause')}
        </Button>
        {photo(() => setOpen(false))}
        {more}
        {grouped && rotate && (
          <Button className="min-h-12" disabled={busy} onClick={close(onRotate)}>
            {t('session.moreMenu.moveEveryoneOnOneStation')}
          </Button>
        )}
        {ladder.length > 0 && (
          <Part
            title={
              rung === null
                ? t('session.moreMenu.noRungDrillAsDesigned')
                : `Rung ${rung + 1}, ${ladder[rung]}`
            }
          >
            <div className="grid grid-cols-[repeat(auto-fill,minmax(118px,1fr))] gap-2">
              {ladder.map((words, index) => (
                <Button
                  key={words}
                  className="min-h-12 flex-col gap-0 leading-tight"
                  disabled={busy || index === rung}
                  onClick={close(() => onRung(index))}
                >
                  {t.rich('session.moreMenu.rung', {
                    index: index + 1,
                    words,
                    small: (chunks) => (
                      <small className="text-[0.8125rem] font-[560]">{chunks}</small>
                    ),
                  })}
                </Button>
              ))}
            </div>
          </Part>
        )}
        {swap && (
          <Part title={t('session.moreMenu.changeDrill')}>
            <Pick
              label={t('session.moreMenu.drill')}
              placeholder={t('session.moreMenu.chooseADrill')}
              options={drills}
              value={next}
              onChange={setNext}
            />
            <Button
              className="min-h-12"
              disabled={busy || !nextDrill}
              onClick={close(() => onSwap({ drillId: next, rung: null }))}
            >
              {next === drillId
                ? t('session.moreMenu.restartDrill')
                : t('session.moreMenu.switchTo', { nextDrill: nextDrill?.label ?? '' })}
            </Button>
          </Part>
        )}
        <Part title={t('session.moreMenu.strokeMetronome')}>
          <StrokeBeat />
        </Part>
        <Part title={t('session.moreMenu.keysAndPocketClicker')}>
          <KeyPanel />
        </Part>
        <Part title={t('session.moreMenu.confirmEachPuttWith')}>
          <Toggle label={t('session.moreMenu.aTone')} on={cues.sound} onChange={cues.setSound} />
          <Toggle label={t('session.moreMenu.vibration')} on={cues.buzz} onChange={cues.setBuzz} />
          <Toggle
            label={t('session.moreMenu.aVoiceWhichAlsoSays')}
            on={cues.voice}
            onChange={cues.setVoice}
          />
        </Part>
      </div>
    </SheetDialog>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="grid gap-2 border-t border-rule pt-3">
      <h3 className="text-[1rem] font-[640]">{title}</h3>
      {children}
    </section>
  );
}
