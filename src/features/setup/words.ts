import { CARD_FIELD_IDS, valueWords, type Card, type CardFieldId } from '@/core/setup';
import { asSentence, type UnitPreferences } from '@/core/units';

/** How a value is said in a row of them: what stands before or after it; nothing where it says itself. */
const SAID: Record<CardFieldId | 'putter', (value: string) => string> = {
  putter: (value) => value,
  grip: (value) => value,
  pressure: (value) => `grip pressure ${value}`,
  stance: (value) => `stance ${value}`,
  ball: (value) => (value.startsWith('level') ? 'ball at the breastbone' : `ball ${value}`),
  eyes: (value) => `eyes ${value}`,
  leadFoot: (value) => `${value} on the lead foot`,
  posture: (value) => value,
  moves: (value) => value,
  gaze: (value) => `head: ${value}`,
  sole: (value) => (value === 'flat' ? 'sole flat' : value),
  aids: (value) => value,
};

/**
 * A card in one line, what was looked at only: "Own putter · claw · grip pressure 4 of 10 · ball 32 mm ahead".
 *
 * @param card any
 */
export const cardSummary = (card: Card, units: UnitPreferences): string =>
  (['putter', ...CARD_FIELD_IDS] as const)
    .flatMap((id) => {
      const value = valueWords(id, card, units);
      return value === null ? [] : [SAID[id](value)];
    })
    .join(' · ');

/** The same as a checklist, a line each. */
export const cardLines = (card: Card, units: UnitPreferences): string[] =>
  cardSummary(card, units)
    .split(' · ')
    .filter((line) => line !== '')
    .map(asSentence);
