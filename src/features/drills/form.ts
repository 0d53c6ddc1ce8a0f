import { z } from 'zod';
import {
  DEFAULT_PUTT,
  FLAT,
  GRADE_RANGE,
  GREEN_SPEED_RANGE,
  MOST_TIERS,
  PACES,
  PAST_RANGE,
  PUTT_RANGE,
  fallsSchema,
  makeWindow,
  paceOf,
  typedFalls,
  type PaceId,
  type Putt,
  type Slope,
} from '@/core/green';
import {
  ELEMENTS,
  ballGateLayout,
  ballGateOf,
  checkLayout,
  readSchema,
  type Finding,
  type Layout,
  type Read,
} from '@/core/layout';
import {
  bareUnit,
  gradeSchema,
  lengthSchema,
  showLength,
  type LengthKind,
  type UnitPreferences,
} from '@/core/units';

const { fields, defaults } = ELEMENTS.ballGate;

/** A finding as a sentence in the coach's units. */
export const findingWords = ({ message, lengths }: Finding, units: UnitPreferences): string =>
  message.replace(/\{(\w+)\}/g, (_, name: string) => {
    const length = lengths[name];
    return length ? showLength(length.metres, length.kind, units) : name;
  });

/** Why the slope cannot hold the putt's pace, or null when it can. */
function holdsPace(putt: Putt): string | null {
  try {
    makeWindow(putt);
    return null;
  } catch (error) {
    if (error instanceof RangeError)
      return 'This slope cannot hold the pace: a ball does not stop there as asked.';
    throw error;
  }
}

/** A school of pace, or the coach's own run past the hole. */
export const PACE_CHOICES = [...PACES.map(({ id }) => id), 'own'] as const;

const slopeOf = (grade: number, falls: number): Slope => (grade === 0 ? FLAT : { grade, falls });

/** What a coach types of a drill with one ball gate, and the layout it means. */
export function drillForm(units: UnitPreferences) {
  const length = (what: string, kind: LengthKind, range: { min: number; max: number }) =>
    lengthSchema({ what, bare: bareUnit(kind, units), own: units.own, ...range });
  const gate = Object.fromEntries(
    fields.map((field) => [field.name, length(field.what, field.kind, field)]),
  ) as Record<'distance' | 'gap' | 'shank', ReturnType<typeof lengthSchema>>;
  return z
    .object({
      name: z
        .string()
        .trim()
        .min(1, 'A name is needed.')
        .max(80, 'A name may have at most 80 letters.'),
      distance: length('A putt', 'putt', PUTT_RANGE),
      greenSpeed: length('A green speed', 'speed', GREEN_SPEED_RANGE),
      grade: gradeSchema(GRADE_RANGE.max),
      falls: fallsSchema,
      tiers: z
        .array(
          z.object({
            from: length('A tier', 'along', { min: 0.1, max: PUTT_RANGE.max }),
            grade: gradeSchema(GRADE_RANGE.max),
            falls: fallsSchema,
          }),
        )
        .max(MOST_TIERS),
      pace: z.enum(PACE_CHOICES),
      past: z.string(),
      read: readSchema.nullable(),
      gate: z.object({ ...gate, on: z.enum(['line', 'curve']) }),
    })
    .transform((typed, context): { name: string; layout: Layout } => {
      const refuse = (path: (string | number)[], message: string) => {
        context.addIssue({ code: 'custom', path, message });
        return z.NEVER;
      };
      const { name, distance, greenSpeed, grade, falls, read } = typed;
      const past = pastOf(typed.pace, typed.past, distance, units);
      if (typeof past === 'string') return refuse(['past'], past);
      const tiers = typed.tiers.map((tier) => ({
        from: tier.from,
        slope: slopeOf(tier.grade, tier.falls),
      }));
      const misplaced = tiers.findIndex(
        ({ from }, index) => from <= (tiers[index - 1]?.from ?? 0) || from >= distance,
      );
      if (misplaced >= 0) {
        return refuse(
          ['tiers', misplaced, 'from'],
          'A tier begins between ball and hole, and beyond the one before it.',
        );
      }
      const putt = {
        ...DEFAULT_PUTT,
        distance,
        greenSpeed,
        slope: slopeOf(grade, falls),
        tiers,
        past,
      };
      const held = holdsPace(putt);
      if (held) return refuse(['grade'], held);
      const layout: Layout = {
        ...ballGateLayout(putt, typed.gate),
        ...(read && { read }),
      };
      for (const finding of checkLayout(layout)) {
        if (finding.severity === 'error') {
          context.addIssue({
            code: 'custom',
            path: ['gate', finding.field],
            message: findingWords(finding, units),
          });
        }
      }
      return { name, layout };
    });
}

/** The run past the hole, m, or what is wrong with it. */
function pastOf(
  pace: PaceId | 'own',
  typed: string,
  distance: number,
  units: UnitPreferences,
): number | string {
  if (pace !== 'own') return PACES.find(({ id }) => id === pace)!.past(distance);
  const parsed = lengthSchema({
    what: 'A run past the hole',
    bare: bareUnit('along', units),
    own: units.own,
    ...PAST_RANGE,
  }).safeParse(typed);
  return parsed.success ? parsed.data : parsed.error.issues[0]!.message;
}

export type DrillInput = z.input<ReturnType<typeof drillForm>>;

/** A slope as it is typed, to a hundredth of a per cent. */
export const typedSlope = ({ grade, falls }: Slope): { grade: string; falls: string } => ({
  grade: `${Number((grade * 100).toFixed(2))} %`,
  falls: grade === 0 ? 'left' : typedFalls(falls),
});

/** A drill as it is typed. */
export function typedDrill(name: string, layout: Layout, units: UnitPreferences): DrillInput {
  const { putt } = layout;
  const gate = ballGateOf(layout) ?? defaults(putt);
  return {
    name,
    distance: showLength(putt.distance, 'putt', units),
    greenSpeed: showLength(putt.greenSpeed, 'speed', units),
    ...typedSlope(putt.slope),
    tiers: putt.tiers.map(({ from, slope }) => ({
      from: showLength(from, 'along', units),
      ...typedSlope(slope),
    })),
    pace: paceOf(putt.past, putt.distance) ?? 'own',
    past: showLength(putt.past, 'along', units),
    read: layout.read ?? null,
    gate: {
      distance: showLength(gate.distance, 'along', units),
      gap: showLength(gate.gap, 'across', units),
      shank: showLength(gate.shank, 'across', units),
      on: gate.on,
    },
  };
}

/** A new drill: a straight, flat 8 ft putt with a roomy gate at 18 in; on the green that was read last, if any. */
export function newDrill(
  units: UnitPreferences,
  { greenSpeed, pace }: { greenSpeed: number; pace: PaceId },
  latest?: { read: Read; greenSpeed: number; slope: Slope | null },
): DrillInput {
  const { distance } = DEFAULT_PUTT;
  const putt = {
    ...DEFAULT_PUTT,
    greenSpeed: latest?.greenSpeed ?? greenSpeed,
    slope: latest?.slope ?? FLAT,
    past: PACES.find(({ id }) => id === pace)!.past(distance),
  };
  return {
    ...typedDrill('', ballGateLayout(putt, defaults(putt)), units),
    read: latest?.read ?? null,
  };
}
