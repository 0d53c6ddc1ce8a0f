import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { restSeen } from '@/core/drill';
import { breakWords } from '@/core/green';
import { layoutAt, readShown, standing, traitsOf, trueReadOf, type Layout } from '@/core/layout';
import { roughLength, type UnitPreferences } from '@/core/units';
import type { WirePutt } from './wire';

/** Whether a player is asked for the read: then no drawing tells it. */
export const asksRead = (layout: Layout): boolean =>
  layout.elements.some(({ kind }) => traitsOf(kind).asksRead);

/**
 * What was read of a putt, and what it was: "Read: 1 cup out right. True break: 1.6 cups outside the right edge, right to left".
 *
 * @returns null where no read was asked or said, or nobody can tell where the putt was made
 */
export function readAndTrue(
  t: Translate,
  layout: Layout,
  { outcomes, points, place }: Pick<WirePutt, 'outcomes' | 'points' | 'place'>,
): string | null {
  const there = layoutAt(layout, place);
  if (!there) return null;
  const element = standing(there).find(({ traits }) => traits.asksRead);
  const said = element?.outcomes().find(({ id }) => id === outcomes[element.id]);
  if (!said) return null;
  const spot = element && points[element.id];
  const read = spot ? breakWords(readShown(there, spot)) : said.label.toLowerCase();
  return t('session.lastRead.readTrueBreak', { read, there: breakWords(trueReadOf(there)) });
}

/**
 * How far from the hole the ball lies, as it was pointed at: "62 cm left, past the hole".
 *
 * @returns null where it was not pointed at, or lies in the hole
 */
export function leftWords(
  t: Translate,
  layout: Layout,
  putt: Pick<WirePutt, 'outcomes' | 'points' | 'place'>,
  units: UnitPreferences,
): string | null {
  const there = layoutAt(layout, putt.place);
  const rest = there && restSeen(there, putt);
  if (!there || !rest) return null;
  const past = rest.along - there.putt.distance;
  const left = Math.hypot(past, rest.across);
  return t('session.lastRead.stoppedFromTheHoleShort', {
    left: roughLength(left, units),
    pastBelow: String(past < 0),
  });
}

/** After the putt: what the read was, and how far from the hole it came to rest. */
export function LastRead({
  layout,
  putt,
  units,
}: {
  layout: Layout;
  putt: WirePutt;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const read = asksRead(layout) ? readAndTrue(t, layout, putt) : null;
  const left = leftWords(t, layout, putt, units);
  const words = [read, left && `${left}.`].filter(Boolean).join(' ');
  return (
    words !== '' && (
      <p aria-live="polite" className="border-b border-rule pb-1.5 text-[1.0625rem]">
        {words}
      </p>
    )
  );
}
