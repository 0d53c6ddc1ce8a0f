'use client';

import { useTranslations } from 'next-intl';
import { BEATS_A_MINUTE, type BeatTone } from '@/core/stroke';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { setBeat, useBeat } from './beat-store';

const STEP = 5;
const RATIOS = ['1', '1.5', '2', '3'];
const TONES: readonly BeatTone[] = ['begin', 'turn', 'strike'];
const SAID: Record<BeatTone, string> = { begin: 'back', turn: 'through', strike: 'strike' };

/** What is heard, seen: one field a tone. */
function Tones({ lit }: { lit: BeatTone | null }) {
  const t = useTranslations();
  return (
    <ul aria-label={t('session.beat.metronome')} className="grid flex-1 grid-cols-3 gap-2">
      {TONES.map((tone) => (
        <li
          key={tone}
          data-lit={lit === tone || undefined}
          className="border-[length:var(--stroke)] border-ink bg-sheet py-2 text-center text-[1rem] font-[620] data-lit:bg-ink data-lit:text-sheet"
        >
          {SAID[tone]}
        </li>
      ))}
    </ul>
  );
}

/** The beat over the keys while it runs, and what stops it; nothing else. */
export function BeatSign() {
  const t = useTranslations();
  const { runs, lit } = useBeat();
  if (!runs) return null;
  return (
    <div className="flex items-center gap-2.5">
      <Tones lit={lit} />
      <Button className="min-h-11 px-3" onClick={() => setBeat({ runs: false })}>
        {t('session.beat.stopMetronome')}
      </Button>
    </div>
  );
}

/** A beat for the stroke: begin, turn, strike, then a rest of three; heard and seen, and it goes on while putts are logged. */
export function StrokeBeat() {
  const t = useTranslations();
  const { runs, perMinute, ratio } = useBeat();
  const { min, max } = BEATS_A_MINUTE;
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-start gap-x-5 gap-y-3">
        <div className="grid gap-1.5">
          <span className="cap">{t('session.beat.strokesPerMinute')}</span>
          <div className="flex items-center gap-2">
            <Button
              className="min-h-12 px-4"
              aria-label={t('session.beat.slower')}
              disabled={perMinute <= min}
              onClick={() => setBeat({ perMinute: perMinute - STEP })}
            >
              −
            </Button>
            <output aria-live="polite" className="w-12 text-center text-[1.375rem] num">
              {perMinute}
            </output>
            <Button
              className="min-h-12 px-4"
              aria-label={t('session.beat.faster')}
              disabled={perMinute >= max}
              onClick={() => setBeat({ perMinute: perMinute + STEP })}
            >
              +
            </Button>
          </div>
        </div>
        <Choice
          label={t('session.beat.tempoBackToThrough')}
          value={String(ratio)}
          onChange={(value) => setBeat({ ratio: Number(value) })}
          options={RATIOS.map((value) => ({ value, label: `${value} : 1` }))}
        />
      </div>
      <Button className="min-h-12" aria-pressed={runs} onClick={() => setBeat({ runs: !runs })}>
        {runs ? t('session.beat.stopMetronome') : t('session.beat.startMetronome')}
      </Button>
    </div>
  );
}
