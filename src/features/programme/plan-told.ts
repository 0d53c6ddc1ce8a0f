import 'server-only';
import { PLACE_WORDS, ruleWords } from '@/core/drill';
import { fitted, layoutCautions, layoutKit, onRung, tapeList, type Layout } from '@/core/layout';
import { fittingOf, kitWords, type KitId } from '@/core/people';
import { PHASE_WORDS, totalsOf } from '@/core/planning';
import { showLength, type UnitPreferences } from '@/core/units';
import { getDrill, getStudent, type CoachPrincipal, type Database } from '@/data';
import { alongWords, asideWords } from '../drills/tape-list';
import type { loadPlan } from './load-plan';
import { lateWords, totalsWords } from './totals-words';

type Loaded = Awaited<ReturnType<typeof loadPlan>>;

/** What goes where on a layout, in one line. */
const placesIn = (layout: Layout, units: UnitPreferences): string =>
  tapeList(layout)
    .filter(({ what }) => what !== 'ball')
    .map((row) => {
      const beside = asideWords(row, units);
      const side = beside === 'on the line' ? '' : `, ${beside}`;
      return `${row.name} ${alongWords(row, units)}${side}`;
    })
    .join('; ') || 'nothing to place';

/** A plan as it is told on one page: what comes when, what to place where, and what to bring. */
export async function planTold(
  { database, principal }: { database: Database; principal: CoachPrincipal },
  { plan, frame, items, own, reckoned, units }: Loaded,
) {
  const students = await Promise.all(
    frame.studentIds.map((id) => getStudent(database, principal, id)),
  );
  const [first] = students;
  const blocks = items.flatMap((item) =>
    own[item.id] ? [{ id: item.id, item, offer: own[item.id]! }] : [],
  );
  const totals = totalsOf(blocks.map(({ offer }) => offer));
  const rows = await Promise.all(
    blocks.map(async ({ item, offer }) => {
      const { layout, details } = await getDrill(database, principal, item.ref);
      const rung = first && item.rungs[first.id];
      const on = typeof rung === 'number' ? details.ladder[rung] : undefined;
      const fits = first ? fitted(layout, fittingOf(first)) : layout;
      const stands = on ? onRung(fits, on) : fits;
      const [player] = offer.players;
      const alone = offer.players.length === 1 && player?.rung != null;
      return {
        layout: stands,
        id: item.id,
        name: offer.name,
        phase: `${PHASE_WORDS[offer.phase]}${alone ? ` · rung ${player.rung! + 1}, ${offer.rungs[player.rung!]}` : ''}`,
        rule: `${ruleWords(details.rule)}.`,
        places: `${showLength(stands.putt.distance, 'putt', units)} putt; ${placesIn(stands, units)}`,
        minutes: `${Math.round(offer.span.median)} min`,
        late: lateWords(offer.span.late),
      };
    }),
  );
  const kit = new Map<KitId, number>();
  for (const { item, count } of rows.flatMap(({ layout }) => layoutKit(layout))) {
    kit.set(item, Math.max(kit.get(item) ?? 0, count));
  }
  return {
    blocks,
    totals,
    rows,
    title: plan.name,
    under: `${students.map(({ name }) => name).join(', ')} · ${PLACE_WORDS[frame.place]} · planned for ${frame.minutes} minutes`,
    time: `${totalsWords(totals)}. ${reckoned}`,
    bring: [...kit].map(([item, count]) => kitWords(item, count)).join(', '),
    cautions: [...new Set(rows.flatMap(({ layout }) => layoutCautions(layout)))].join(' '),
  };
}
