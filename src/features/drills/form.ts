import { z } from 'zod';
import {
  DEFAULT_PUTT,
  FLAT,
  GRADE_RANGE,
  GREEN_SPEED_RANGE,
  PUTT_RANGE,
  makeWindow,
  type Putt,
} from '@/core/green';
import {
  ELEMENTS,
  ballGateLayout,
  ballGateOf,
  checkLayout,
  type Finding,
  type Layout,
} from '@/core/layout';
import {
  bareUnit,
  gradeSchema,
  lengthSchema,
  showGrade,
  showLength,
  toRadians,
  type UnitPreferences,
} from '@/core/units';

const { fields, defaults } = ELEMENTS.ballGate;

/** A finding as a sentence in the coach's units. */
export const findingWords = ({ message, lengths }: Finding, units: UnitPreferences): string =>
  message.replace(/\{(\w+)\}/g, (_, name: string) => {
    const length = lengths[name];
    return length ? showLength(length.metres, length.kind, units) : name;
  });

/** The ways a green can fall, seen from the ball, clockwise. */
export const FALLS = [
  { value: 'left', label: 'left', degrees: -90 },
  { value: 'down-left', label: 'downhill, left', degrees: -45 },
  { value: 'down', label: 'downhill', degrees: 0 },
  { value: 'down-right', label: 'downhill, right', degrees: 45 },
  { value: 'right', label: 'right', degrees: 90 },
  { value: 'up-right', label: 'uphill, right', degrees: 135 },
  { value: 'up', label: 'uphill', degrees: 180 },
  { value: 'up-left', label: 'uphill, left', degrees: -135 },
] as const;

type Falls = (typeof FALLS)[number]['value'];

const directionOf = (falls: Falls): number =>
  toRadians(FALLS.find(({ value }) => value === falls)?.degrees ?? 0);

/** The named way nearest to a direction, rad. */
export function fallsOf(direction: number): (typeof FALLS)[number] {
  const apart = ({ degrees }: { degrees: number }) => 1 - Math.cos(direction - toRadians(degrees));
  return FALLS.reduce((best, one) => (apart(one) < apart(best) ? one : best));
}

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

/** What a coach types of a drill with one ball gate, and the layout it means. */
export function drillForm(units: UnitPreferences) {
  const length = (field: (typeof fields)[number]) =>
    lengthSchema({
      what: field.what,
      min: field.min,
      max: field.max,
      bare: bareUnit(field.kind, units),
      own: units.own,
    });
  const gate = Object.fromEntries(fields.map((field) => [field.name, length(field)])) as Record<
    'distance' | 'gap' | 'shank',
    ReturnType<typeof lengthSchema>
  >;
  return z
    .object({
      name: z
        .string()
        .trim()
        .min(1, 'A name is needed.')
        .max(80, 'A name may have at most 80 letters.'),
      distance: lengthSchema({
        what: 'A putt',
        bare: bareUnit('putt', units),
        own: units.own,
        ...PUTT_RANGE,
      }),
      greenSpeed: lengthSchema({
        what: 'A green speed',
        bare: bareUnit('putt', units),
        ...GREEN_SPEED_RANGE,
      }),
      grade: gradeSchema(GRADE_RANGE.max),
      falls: z.enum(FALLS.map(({ value }) => value)),
      gate: z.object(gate),
    })
    .transform(
      (
        { name, distance, greenSpeed, grade, falls, gate: numbers },
        context,
      ): { name: string; layout: Layout } => {
        const slope = grade === 0 ? FLAT : { grade, falls: directionOf(falls) };
        const putt = { ...DEFAULT_PUTT, distance, greenSpeed, slope };
        const held = holdsPace(putt);
        if (held) {
          context.addIssue({ code: 'custom', path: ['grade'], message: held });
          return z.NEVER;
        }
        const layout = ballGateLayout(putt, { ...numbers, offset: 0 });
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
      },
    );
}

export type DrillInput = z.input<ReturnType<typeof drillForm>>;

/** A drill as it is typed. */
export function typedDrill(name: string, layout: Layout, units: UnitPreferences): DrillInput {
  const { putt } = layout;
  const gate = ballGateOf(layout) ?? defaults(putt);
  return {
    name,
    distance: showLength(putt.distance, 'putt', units),
    greenSpeed: showLength(putt.greenSpeed, 'putt', units),
    grade: showGrade(putt.slope.grade),
    falls: putt.slope.grade === 0 ? 'left' : fallsOf(putt.slope.falls).value,
    gate: {
      distance: showLength(gate.distance, 'along', units),
      gap: showLength(gate.gap, 'across', units),
      shank: showLength(gate.shank, 'across', units),
    },
  };
}

/** A new drill: a straight, flat 8 ft putt with a roomy gate at 18 in. */
export function newDrill(units: UnitPreferences, greenSpeed: number): DrillInput {
  const putt = { ...DEFAULT_PUTT, greenSpeed };
  return typedDrill('', ballGateLayout(putt, defaults(putt)), units);
}
