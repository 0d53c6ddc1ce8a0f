import { z } from 'zod';
import { showLength, type UnitPreferences } from '@/core/units';

/** One of a few, in words, with what it is. */
interface ChoiceField {
  kind: 'choice';
  options: Record<string, { label: string; about: string }>;
}

/** A length, m; with a side where it lies to one of two. */
interface LengthField {
  kind: 'length';
  min: number;
  max: number;
  /** Words for what is below and above nothing, where it lies to a side. */
  sides?: readonly [below: string, above: string];
  /** Nearer than this nobody can stand the same twice, m. */
  same: number;
}

/** A whole number, with what it is of. */
interface NumberField {
  kind: 'number';
  min: number;
  max: number;
  /** Of what, after the number: "of 10". */
  of: string;
  same: number;
}

/** A few words of the coach's own. */
interface TextFieldKind {
  kind: 'text';
  most: number;
}

/** One thing that a coach looks at before the first putt. */
export type CardField = { name: string; about: string } & (
  ChoiceField | LengthField | NumberField | TextFieldKind
);

/** Everything on a set-up card but the putter, in the order in which a coach looks at it. */
export const CARD_FIELDS = {
  grip: {
    name: 'Grip',
    about: 'How the hands hold the putter.',
    kind: 'choice',
    options: {
      'reverse overlap': {
        label: 'Reverse overlap',
        about:
          'the lead index finger lies over the fingers of the trail hand, so the hands work as one',
      },
      interlocked: {
        label: 'Interlocked',
        about: 'the little finger and the index finger hook together',
      },
      'lead low': {
        label: 'Lead hand low',
        about: 'the lead hand is below, which levels the shoulders and keeps the lead wrist flat',
      },
      claw: {
        label: 'Claw',
        about: 'the trail hand comes from the side, which takes its push out',
      },
      'palms facing': { label: 'Palms facing', about: 'both palms square to the line' },
      'finger down': {
        label: 'Finger down the shaft',
        about: 'the trail index finger lies along the grip and feels where the face points',
      },
    },
  },
  pressure: {
    name: 'Grip pressure',
    about: 'From 1 (barely held) to 10 (as hard as possible). A light grip lets the head swing.',
    kind: 'number',
    min: 1,
    max: 10,
    of: 'out of 10',
    same: 1,
  },
  stance: {
    name: 'Stance width, heel to heel',
    about: 'From feet under the body to shoulder width.',
    kind: 'length',
    min: 0.05,
    max: 0.9,
    same: 0.03,
  },
  ball: {
    name: 'Ball position from the breastbone',
    about: 'A ball’s width ahead, 25 to 40 mm, lets the putter meet the ball just on the way up.',
    kind: 'length',
    min: -0.2,
    max: 0.3,
    sides: ['behind', 'ahead'],
    same: 0.01,
  },
  eyes: {
    name: 'Eye position from the ball line',
    about: 'Over the line or just inside it, never outside. Drop a ball from the eye to check.',
    kind: 'length',
    min: -0.2,
    max: 0.3,
    sides: ['outside', 'inside'],
    same: 0.015,
  },
  leadFoot: {
    name: 'Weight on the lead foot',
    about: 'About 55 %, which feels like much more.',
    kind: 'number',
    min: 20,
    max: 90,
    of: '%',
    same: 5,
  },
  posture: {
    name: 'Posture',
    about: 'Tall with the arms hanging, unless the body needs something else.',
    kind: 'choice',
    options: {
      tall: { label: 'Tall, arms hanging', about: 'the arms swing free below the shoulders' },
      bent: {
        label: 'Bent over, elbows out',
        about: 'the elbows steer, and it is hard on the back',
      },
      seated: {
        label: 'Seated',
        about: 'putts from a chair: the swing stays beside the knees and clear of the seat',
      },
    },
  },
  moves: {
    name: 'What moves',
    about: 'What moves in the stroke, and what stays still.',
    kind: 'choice',
    options: {
      shoulders: {
        label: 'Shoulders rock',
        about: 'arms and hands go with them; legs and head stay still',
      },
      arms: { label: 'Arms swing', about: 'the shoulders stay still, and so do the head and legs' },
      wrists: {
        label: 'Wrists hinge too',
        about: 'adds pop on slow greens, but there is more to time',
      },
      body: { label: 'Body sways', about: 'the centre of the swing moves with it' },
    },
  },
  gaze: {
    name: 'Head and eyes',
    about: 'Where the player looks while the ball is struck.',
    kind: 'choice',
    options: {
      still: { label: 'Still until the ball is gone', about: 'the usual way' },
      follows: { label: 'Eyes follow the ball', about: 'the head turns but does not lift' },
      hole: { label: 'Eyes on the hole', about: 'the stroke goes where the eyes are' },
      closed: { label: 'Eyes closed', about: 'for feel; with something to hold on to' },
    },
  },
  sole: {
    name: 'Sole on the ground',
    about: 'How the sole lies behind the ball, with the hands where they putt.',
    kind: 'choice',
    options: {
      flat: { label: 'Flat', about: 'the lie fits' },
      toe: { label: 'Toe up', about: 'the face points to the player’s side of the line' },
      heel: { label: 'Heel up', about: 'the face points away from the player’s side' },
    },
  },
  aids: {
    name: 'Chair and aids',
    about: 'What the player needs, in a few words.',
    kind: 'text',
    most: 80,
  },
} as const satisfies Record<string, CardField>;

export type CardFieldId = keyof typeof CARD_FIELDS;
export const CARD_FIELD_IDS = Object.keys(CARD_FIELDS) as CardFieldId[];

/** What is known of one thing on the card: any field of {@link CARD_FIELDS}. */
export const cardField = (id: CardFieldId): CardField => CARD_FIELDS[id];

const choice = (id: CardFieldId) => {
  const field = cardField(id);
  const options = field.kind === 'choice' ? Object.keys(field.options) : [];
  return z.enum(options as [string, ...string[]]).nullable();
};
const number = (id: CardFieldId) => {
  const field = cardField(id);
  if (field.kind !== 'length' && field.kind !== 'number')
    throw new RangeError(`${field.name} is not a number field.`);
  const one = z.number().min(field.min).max(field.max);
  return (field.kind === 'number' ? one.int() : one).nullable();
};

/** How a player stood and held it in a session; null is what nobody looked at. Lengths in m, the weight in %. */
export const cardSchema = z.object({
  grip: choice('grip'),
  pressure: number('pressure'),
  stance: number('stance'),
  ball: number('ball'),
  eyes: number('eyes'),
  leadFoot: number('leadFoot'),
  posture: choice('posture'),
  moves: choice('moves'),
  gaze: choice('gaze'),
  sole: choice('sole'),
  aids: z.string().trim().min(1).max(CARD_FIELDS.aids.most).nullable(),
  /** Which putter, with its name as it was then. */
  putter: z.object({ id: z.string().max(60), name: z.string().max(60) }).nullable(),
});

export type Card = z.infer<typeof cardSchema>;

/** A card on which nothing was looked at. */
export const emptyCard = (): Card =>
  Object.fromEntries(Object.keys(cardSchema.shape).map((id) => [id, null])) as Card;

/** Whether anything was looked at. */
export const isLookedAt = (card: Card): boolean =>
  Object.values(card).some((value) => value !== null);

/**
 * One thing of a card as a coach says it.
 *
 * @param id which
 * @param card where it stands
 * @returns "claw", "4 of 10", "32 mm ahead", "over the line"; null when nobody looked
 * @example valueWords('ball', { ...emptyCard(), ball: 0.032 }, DEFAULT_UNITS) // "32 mm ahead"
 */
export function valueWords(
  id: CardFieldId | 'putter',
  card: Card,
  units: UnitPreferences,
): string | null {
  if (id === 'putter') return card.putter?.name ?? null;
  const [field, value] = [cardField(id), card[id]];
  if (value === null) return null;
  switch (field.kind) {
    case 'choice':
      return field.options[value]?.label.toLowerCase() ?? String(value);
    case 'number':
      return `${value} ${field.of}`;
    case 'text':
      return String(value);
    case 'length': {
      const metres = Number(value);
      const shown = showLength(Math.abs(metres), 'across', units);
      if (!field.sides) return shown;
      if (shown.startsWith('0 '))
        return id === 'eyes' ? 'over the line' : 'level with the breastbone';
      return `${shown} ${field.sides[metres < 0 ? 0 : 1]}`;
    }
  }
}

/** One thing that is otherwise than the time before. */
export interface CardChange {
  id: CardFieldId | 'putter';
  /** As a coach says it. */
  name: string;
  from: string;
  to: string;
}

const alike = (id: CardFieldId | 'putter', a: Card, b: Card): boolean => {
  if (id === 'putter') return a.putter?.id === b.putter?.id;
  const field = cardField(id);
  return field.kind === 'length' || field.kind === 'number'
    ? Math.abs(Number(a[id]) - Number(b[id])) < field.same - 1e-9
    : a[id] === b[id];
};

/**
 * What is otherwise on a card than on the one before. What was not looked at on either is no change, nor is a length within
 * what nobody can stand the same twice.
 *
 * @param before the card of an earlier session
 * @param after the card of a later one
 */
export const cardChanges = (before: Card, after: Card, units: UnitPreferences): CardChange[] =>
  (['putter', ...CARD_FIELD_IDS] as const).flatMap((id): CardChange[] => {
    if (id === 'aids') return [];
    const [from, to] = [valueWords(id, before, units), valueWords(id, after, units)];
    if (from === null || to === null || alike(id, before, after)) return [];
    return [{ id, name: id === 'putter' ? 'Putter' : cardField(id).name, from, to }];
  });

/**
 * A card filled on: what was looked at now, and what is known from before where nobody looked again.
 *
 * @param before what was known
 * @param now what was looked at
 */
export const filledOn = (before: Card, now: Card): Card =>
  Object.fromEntries(
    Object.entries(now).map(([id, value]) => [id, value ?? before[id as keyof Card]]),
  ) as Card;
