import { z } from 'zod';
import { DEGREE } from '@/core/units';

export const HANDS = ['right', 'left'] as const;
export type Hand = (typeof HANDS)[number];

/** What a player believes of the path: on a tilted circle, or straight back and through. */
export const PATHS = ['arc', 'straight'] as const;
export type PathSchool = (typeof PATHS)[number];

/** Limits of what is believed of a putter head, m, and of how its shaft leans, rad. */
export const HEAD_LENGTH = { min: 0.06, max: 0.18 } as const;
export const HEAD_DEPTH = { min: 0.01, max: 0.16 } as const;
export const LIE_ANGLE = { min: 60 * DEGREE, max: 80 * DEGREE } as const;

/** Whom a layout is set for: all that changes where its tees go or what its words are. */
export const fittingSchema = z.object({
  hand: z.enum(HANDS),
  /** Heel to toe and front to back, m. */
  headLength: z.number().min(HEAD_LENGTH.min).max(HEAD_LENGTH.max),
  headDepth: z.number().min(HEAD_DEPTH.min).max(HEAD_DEPTH.max),
  /** Of the shaft from the ground, rad. */
  lieAngle: z.number().min(LIE_ANGLE.min).max(LIE_ANGLE.max),
  school: z.enum(PATHS),
  seated: z.boolean(),
});

export type Fitting = z.infer<typeof fittingSchema>;

/** Whom a layout is drawn for until somebody is named: right-handed, a standard blade, an arc, standing. */
export const STANDARD_FITTING: Fitting = {
  hand: 'right',
  headLength: 0.112,
  headDepth: 0.025,
  lieAngle: 70 * DEGREE,
  school: 'arc',
  seated: false,
};

/**
 * The end of the head that is on this side of the line: the heel is on the player's side.
 *
 * @param side of the line, looking from the ball to the hole
 * @param hand the player's
 */
export const headEnd = (side: 'left' | 'right', hand: Hand): 'heel' | 'toe' =>
  (side === 'left') === (hand === 'right') ? 'heel' : 'toe';

/** The side of the line that an end of the head is on. */
export const sideOfEnd = (end: 'heel' | 'toe', hand: Hand): 'left' | 'right' =>
  headEnd('left', hand) === end ? 'left' : 'right';
