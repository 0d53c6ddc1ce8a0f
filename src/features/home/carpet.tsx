'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { BOOK_LIMITS, carpetSpeed, type BookRolls } from '@/core/green';
import { INCH, showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { LengthInput, useWrong } from '@/ui/parsed-input';
import { showErrors } from '../shared/show-errors';
import { keepCarpetAtHome } from './actions';

/** A thick book, and a first roll off it, as a tape of these units shows it. */
const FIRST: Record<UnitPreferences['long'], BookRolls> = {
  metric: { height: 0.05, there: 0.7, back: 0.7 },
  imperial: { height: 2 * INCH, there: 28 * INCH, back: 28 * INCH },
};

/** How fast the carpet is: a ball off a book, both ways. The student is on the floor with a book and a tape. */
export function CarpetForm({
  token,
  units,
  before,
}: {
  token: string;
  units: UnitPreferences;
  before: BookRolls | null;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  const [rolls, setRolls] = useState(before ?? FIRST[units.long]);
  const [wrong, onWrong] = useWrong();
  const speed = speedOf(rolls);
  const set = (name: keyof BookRolls) => (metres: number) => {
    setRolls({ ...rolls, [name]: metres });
    return null;
  };
  const fields = [
    ['height', t('home.carpet.heightOfTheBooksTop'), 'A book height', BOOK_LIMITS.height],
    ['there', t('home.carpet.rollFromTheFootOf'), 'A roll', BOOK_LIMITS.roll],
    ['back', t('home.carpet.theSameRollInThe'), 'A roll', BOOK_LIMITS.roll],
  ] as const;
  return (
    <div className="grid gap-3">
      <p className="text-[1rem]">{t('home.carpet.leanABookAgainstSomething')}</p>
      {fields.map(([name, label, what, limits]) => (
        <LengthInput
          key={name}
          name={name}
          label={label}
          what={what}
          kind="along"
          units={units}
          value={rolls[name]}
          onValue={set(name)}
          onWrong={onWrong}
          {...limits}
        />
      ))}
      <p aria-live="polite" className="text-[1.0625rem]">
        {typeof speed === 'string' ? (
          <span role="alert" className="font-[560] text-line">
            ▲ {speed}
          </span>
        ) : (
          <>
            {t.rich('home.carpet.carpetSpeed', {
              speed: showLength(speed, 'speed', units),
              strong: (chunks) => <strong>{chunks}</strong>,
            })}
          </>
        )}
      </p>
      <Button
        className="min-h-12"
        disabled={busy || typeof speed === 'string' || Object.keys(wrong).length > 0}
        onClick={() =>
          run(async () => {
            const result = await keepCarpetAtHome(token, rolls).catch(() => null);
            if (!result) {
              toast.error('The server is not answering. Nothing is lost: save again later.');
              return;
            }
            if (!showErrors(result)) return;
            toast.success(t('home.carpet.savedPuttsOnThisCarpet'));
            router.refresh();
          })
        }
      >
        {t('home.carpet.saveCarpetSpeed')}
      </Button>
    </div>
  );
}

/** The speed that rolls mean, m, or why they cannot be. */
function speedOf(rolls: BookRolls): number | string {
  try {
    return carpetSpeed(rolls);
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}
