'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import {
  asBuilt,
  asPlanned,
  elementOf,
  findingWords,
  standing,
  type Layout,
  type Standing,
  type Tolerance,
} from '@/core/layout';
import { roughLength, showDegrees, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { LengthInput, useWrong } from '@/ui/parsed-input';
import { PhotoTape } from '../photo/photo-tape';
import { showErrors } from '../shared/show-errors';
import { useWays } from './ways';
import { Term } from '../shared/term';

const toleranceWords = (
  t: Translate,
  { quantity, left, right }: Tolerance,
  units: UnitPreferences,
): string => {
  const one = (value: number) =>
    quantity === 'strike'
      ? t('session.asBuilt.mm', { length: (value * 1000).toFixed(1) })
      : quantity === 'pace'
        ? roughLength(value, units)
        : showDegrees(value);
  return Math.abs(left - right) < 1e-6 ? `±${one(right)}` : `−${one(left)} +${one(right)}`;
};

/** What the tape says once it stands: typed here, it is what the putts are scored on. */
export function AsBuilt({
  runId,
  studentId,
  layout,
  units,
}: {
  runId: string;
  studentId: string;
  layout: Layout;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const { built } = useWays();
  const measured = standing(layout).filter((element) => element.measures().length > 0);
  if (measured.length === 0 || !built) return null;
  return (
    <section
      aria-label={t('session.asBuilt.asMeasured')}
      className="mt-5 grid gap-4 border-t border-rule pt-4"
    >
      <div>
        <h3 className="text-[1.125rem] num">{t('session.asBuilt.asMeasured')}</h3>
        <p className="text-[0.9375rem] text-ink2">
          {t('session.asBuilt.measureAgainAndEnterWhat')} <Term name="as measured" />.
        </p>
      </div>
      {measured.map((element) => (
        <Measured
          key={element.id}
          runId={runId}
          studentId={studentId}
          layout={layout}
          element={element}
          units={units}
        />
      ))}
    </section>
  );
}

function Measured({
  runId,
  studentId,
  layout,
  element,
  units,
}: {
  runId: string;
  studentId: string;
  layout: Layout;
  element: Standing;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const piece = layout.elements.find(({ id }) => id === element.id);
  const before = piece?.built ?? {};
  const [typed, setTyped] = useState<Record<string, number>>(before);
  const [off, setOff] = useState<Record<string, number>>(piece?.builtOff ?? {});
  const [wrong, onWrong] = useWrong();
  const planned = standing(asPlanned(layout)).find(({ id }) => id === element.id)!;
  const stands = asBuilt(layout, element.id, typed);
  const now = stands.ok
    ? standing(stands.layout)
        .find(({ id }) => id === element.id)!
        .tolerance()
    : null;
  const was = planned.tolerance();
  const letters = element.places().flatMap(({ label }) => label ?? []);
  const { built } = useWays();
  const hasGap = planned.measures().some(({ name }) => name === 'gap');
  const tryOn = (name: string, metres: number, by?: number): string | null => {
    const next = { ...typed, [name]: metres };
    const tried = asBuilt(layout, element.id, next);
    if (!tried.ok) return findingWords(tried.finding, units);
    const { [name]: _taped, ...others } = off;
    setTyped(next);
    setOff(by === undefined ? others : { ...others, [name]: by });
    return null;
  };
  const keep = (values: Record<string, number>) =>
    begin(async () => {
      if (!built) return;
      const result = await built({ runId, element: element.id, measured: values, off });
      if (!showErrors(result)) return;
      toast.success(
        Object.keys(values).length > 0
          ? t('session.asBuilt.puttsAreScoredAsMeasured')
          : t('session.asBuilt.puttsAreScoredAsPlanned'),
      );
      router.refresh();
    });
  return (
    <div className="grid gap-2.5">
      <p className="text-[1rem]">
        <strong>
          {elementOf(element.kind).name} {letters.join(' ')}
        </strong>
        {was && now && (
          <span className="text-ink2">
            {' '}
            {t('session.asBuilt.planned', { was: toleranceWords(t, was, units) })}
            {toleranceWords(t, now, units) !== toleranceWords(t, was, units) && (
              <strong className="text-ink">
                {t('session.asBuilt.measured', { toleranceWords: toleranceWords(t, now, units) })}
              </strong>
            )}
          </span>
        )}
      </p>
      <div className="grid grid-cols-2 gap-x-5 gap-y-2 sm:grid-cols-3">
        {planned
          .measures()
          .filter(({ ofBall }) => !ofBall)
          .map((measure) => (
            <LengthInput
              key={measure.name}
              name={`${element.id} ${measure.name}`}
              label={measure.label}
              what={measure.label}
              kind={measure.kind}
              min={0.001}
              max={40}
              units={units}
              value={typed[measure.name] ?? measure.metres}
              onValue={(metres) => tryOn(measure.name, metres)}
              onWrong={onWrong}
            />
          ))}
      </div>
      {off.gap !== undefined && typed.gap !== undefined && (
        <p className="text-[0.9375rem] text-ink2">
          {t('session.asBuilt.gapFromAPhotoMm', {
            gap: (typed.gap * 1000).toFixed(1),
            gap2: (off.gap * 1000).toFixed(1),
          })}
        </p>
      )}
      <div className="flex flex-wrap gap-2.5">
        {hasGap && (
          <PhotoTape
            layout={layout}
            units={units}
            names={['gap', 'ball', 'distance']}
            measured={element.id}
            keeps={{ runId, studentId }}
            use={(name, { value, error }) =>
              name === 'gap'
                ? {
                    label: t('session.asBuilt.useMmAsTheGap', { gap: (value * 1000).toFixed(1) }),
                    use: () => {
                      const refused = tryOn('gap', value, error);
                      if (refused) toast.error(refused);
                    },
                  }
                : null
            }
          />
        )}
        <Button
          disabled={busy || Object.keys(wrong).length > 0 || Object.keys(typed).length === 0}
          onClick={() => keep(typed)}
        >
          {t('session.asBuilt.scoreAsMeasured')}
        </Button>
        {Object.keys(before).length > 0 && (
          <Button
            kind="quiet"
            disabled={busy}
            onClick={() => {
              setTyped({});
              setOff({});
              keep({});
            }}
          >
            {t('session.asBuilt.scoreAsPlanned')}
          </Button>
        )}
      </div>
    </div>
  );
}
