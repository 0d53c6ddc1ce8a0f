import type { Translate } from '@/words/translate';
import { standing, type Layout } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { checkLength } from './tape-list';

/**
 * A drawing for those who cannot see it: the putt, then what stands on it from the ball outward, with its letters, its gaps and
 * how far it is from the ball.
 *
 * @example drawingWords(layout, units) // "A putt of 8 ft, seen from above. Ball gate, A and B: 58 mm between the tees, 18 in from the ball."
 */
export function drawingWords(t: Translate, layout: Layout, units: UnitPreferences): string {
  const things = standing(layout)
    .filter(({ traits }) => !traits.fixed)
    .flatMap((element) => {
      const places = element.places();
      const [first] = places.toSorted((a, b) => Math.abs(a.at.along) - Math.abs(b.at.along));
      if (!first) return [];
      const letters = LIST.format(places.flatMap(({ label }) => label ?? []));
      const { along } = first.at;
      const said = [
        ...element.checks().map(({ name, metres }) => `${checkLength(metres, units)} ${name}`),
        Math.abs(along) < 5e-4
          ? t('drills.drawingWords.levelWithTheBall')
          : t('drills.drawingWords.behindTheBall', {
              distance: showLength(Math.abs(along), 'along', units),
              behind: String(along < 0),
            }),
      ];
      const name = letters ? `${element.name}, ${letters}` : element.name;
      return [{ along, words: `${name}: ${said.join(', ')}.` }];
    })
    .toSorted((a, b) => a.along - b.along)
    .map(({ words }) => words);
  const putt = `A putt of ${showLength(layout.putt.distance, 'putt', units)}, seen from above.`;
  return [putt, ...things].join(' ');
}

const LIST = new Intl.ListFormat('en', { type: 'conjunction' });
