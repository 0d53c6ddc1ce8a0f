import { breakWords } from '@/core/green';
import { layoutAt, readShown, standing, traitsOf, trueReadOf, type Layout } from '@/core/layout';
import type { WirePutt } from './wire';

/** Whether a player is asked for the read: then no drawing tells it. */
export const asksRead = (layout: Layout): boolean =>
  layout.elements.some(({ kind }) => traitsOf(kind).asksRead);

/**
 * What was read of a putt, and what it was: "Read: 1 cup out right. It was 1.6 cups outside the edge, right to left".
 *
 * @returns null where no read was asked or said, or nobody can tell where the putt was made
 */
export function readAndTrue(
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
  return `Read: ${read}. It ${said.passes ? 'is' : 'was'} ${breakWords(trueReadOf(there))}.`;
}

/** After the putt: what it was. */
export function LastRead({ layout, putt }: { layout: Layout; putt: WirePutt }) {
  if (!asksRead(layout)) return null;
  const words = readAndTrue(layout, putt);
  return (
    words && (
      <p aria-live="polite" className="border-b border-rule pb-1.5 text-[17px]">
        {words}
      </p>
    )
  );
}
