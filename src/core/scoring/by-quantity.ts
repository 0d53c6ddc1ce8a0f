/** Quantities of the ball and the stroke: every player has a number of each. Others are there where something is known. */
export const SKILLS = ['start', 'face', 'path', 'strike', 'pace', 'height'] as const;
export type SkillName = (typeof SKILLS)[number];

/** Something for each quantity: always for those of the ball and the stroke, for others where anything is known. */
export type ByQuantity<Value> = Record<SkillName, Value> & Partial<Record<string, Value>>;
