import { finding, type Finding } from './element';
import { elementOf, standing, type Layout } from './layout';
import { settingOf } from './setting';

/**
 * A layout as it was measured once it stood; scoring and drawing then use those numbers.
 *
 * @param layout as planned, or as built before
 * @param id which element
 * @param measured metres by the name of the measure; left out ones are as planned
 * @param off how far off what was not measured with a tape is, one standard deviation, m
 * @returns the layout, or what says why it cannot be played so
 */
export function asBuilt(
  layout: Layout,
  id: string,
  measured: Record<string, number>,
  off: Record<string, number> = {},
): { ok: true; layout: Layout } | { ok: false; finding: Finding } {
  const piece = layout.elements.find((one) => one.id === id);
  const refuse = (name: string, message: string) => ({
    ok: false as const,
    finding: finding('error', name, message),
  });
  if (!piece) return refuse(id, `This layout has no element “${id}”.`);
  const element = elementOf(piece.kind);
  const setting = settingOf(layout.putt, layout.player);
  let params = piece.params;
  for (const [name, metres] of Object.entries(measured)) {
    const measure = element.measures?.(params, setting).find((one) => one.name === name);
    if (!measure) {
      return refuse(name, `The ${element.name.toLowerCase()} has no “${name}” to measure.`);
    }
    params = measure.as(metres);
    const parsed = element.schema.safeParse(params);
    if (!parsed.success) {
      return refuse(name, parsed.error.issues[0]?.message ?? 'This measurement is not possible.');
    }
  }
  const built = Object.keys(measured).length > 0 && { built: measured };
  const known = Object.entries(off).filter(([name]) => name in measured);
  const builtOff = known.length > 0 && { builtOff: Object.fromEntries(known) };
  const { id: kept, kind, params: planned } = piece;
  const elements = layout.elements.map((one) =>
    one.id === id
      ? ({ id: kept, kind, params: planned, ...built, ...builtOff } as typeof one)
      : one,
  );
  const next = { ...layout, elements };
  const wrong = standing(next)
    .find((one) => one.id === id)
    ?.check()
    .find(({ severity }) => severity === 'error');
  return wrong ? { ok: false, finding: wrong } : { ok: true, layout: next };
}

/** Whether anything of a layout was measured after it stood. */
export const isBuilt = ({ elements }: Layout): boolean =>
  elements.some(({ built }) => built && Object.keys(built).length > 0);

/** A layout without what was measured: as it was planned. */
export const asPlanned = (layout: Layout): Layout => ({
  ...layout,
  elements: layout.elements.map(
    ({ id, kind, params }) => ({ id, kind, params }) as Layout['elements'][number],
  ),
});
