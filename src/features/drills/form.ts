import { z } from 'zod';
import { DEFAULT_PUTT, GREEN_SPEED_RANGE, PUTT_RANGE } from '@/core/green';
import {
  ELEMENTS,
  ballGateLayout,
  ballGateOf,
  checkLayout,
  type Finding,
  type Layout,
} from '@/core/layout';
import { bareUnit, lengthSchema, showLength, type UnitPreferences } from '@/core/units';

const { fields, defaults } = ELEMENTS.ballGate;

/** A finding as a sentence in the coach's units. */
export const findingWords = ({ message, lengths }: Finding, units: UnitPreferences): string =>
  message.replace(/\{(\w+)\}/g, (_, name: string) => {
    const length = lengths[name];
    return length ? showLength(length.metres, length.kind, units) : name;
  });

/** What a coach types of a drill with one ball gate, and the layout it means. */
export function drillForm(units: UnitPreferences) {
  const length = (field: (typeof fields)[number]) =>
    lengthSchema({
      what: field.what,
      min: field.min,
      max: field.max,
      bare: bareUnit(field.kind, units),
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
      distance: lengthSchema({ what: 'A putt', bare: bareUnit('putt', units), ...PUTT_RANGE }),
      greenSpeed: lengthSchema({
        what: 'A green speed',
        bare: bareUnit('putt', units),
        ...GREEN_SPEED_RANGE,
      }),
      gate: z.object(gate),
    })
    .transform(
      (
        { name, distance, greenSpeed, gate: numbers },
        context,
      ): { name: string; layout: Layout } => {
        const layout = ballGateLayout(
          { ...DEFAULT_PUTT, distance, greenSpeed },
          { ...numbers, offset: 0 },
        );
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
  const gate = ballGateOf(layout) ?? defaults({ putt });
  return {
    name,
    distance: showLength(putt.distance, 'putt', units),
    greenSpeed: showLength(putt.greenSpeed, 'putt', units),
    gate: {
      distance: showLength(gate.distance, 'along', units),
      gap: showLength(gate.gap, 'across', units),
      shank: showLength(gate.shank, 'across', units),
    },
  };
}

/** A new drill: a straight 8 ft putt with a roomy gate at 18 in. */
export function newDrill(units: UnitPreferences, greenSpeed: number): DrillInput {
  const putt = { ...DEFAULT_PUTT, greenSpeed };
  return typedDrill('', ballGateLayout(putt, defaults({ putt })), units);
}
