import 'server-only';
import { v4 } from 'uuid';
import { coldTestDue, needsOfGroup, proposeHour, type PlanFrame } from '@/core/planning';
import { lastColdTests, type CoachPrincipal, type Database } from '@/data';
import { planner } from './offers';
import type { Offer, PlanItem, Proposal } from './plan-shape';

type Ground = Pick<PlanFrame, 'studentIds' | 'place' | 'kit'>;

const rungsOf = (players: Offer['players']): PlanItem['rungs'] =>
  Object.fromEntries(players.map(({ studentId, rung }) => [studentId, rung]));

/** Proposes a plan round the blocks that are kept; all that suits is told too, to choose from. */
export async function hourFor(
  database: Database,
  principal: CoachPrincipal,
  { frame, kept }: { frame: PlanFrame; kept: PlanItem[] },
): Promise<Proposal> {
  const at = new Date();
  const { students, suiting, asSet, reckoned } = await planner(database, principal, frame, at);
  const { candidates, offers } = suiting();
  // A drill that was put away since is kept no more.
  const stays = kept.flatMap((item) => {
    const offer = asSet(item);
    return offer ? [{ item: { ...item, rungs: rungsOf(offer.players) }, offer }] : [];
  });
  const cold = await lastColdTests(database, principal);
  const plan = proposeHour(
    {
      minutes: frame.minutes,
      needs: needsOfGroup(students.map(({ needs }) => needs)),
      goals: frame.goals,
      cold: frame.studentIds.some((id) => coldTestDue(cold.get(id), at)),
    },
    candidates.filter(({ id }) => !kept.some(({ ref }) => ref === id)),
    stays.map(({ item, offer }) => ({ ...offer, id: item.id })),
  );
  const items = plan.map((block): PlanItem => {
    const known = stays.find(({ item }) => item.id === block.id);
    if (known) return known.item;
    const { players } = offers.find(({ ref }) => ref === block.id)!;
    const why = 'why' in block ? block.why : '';
    return { id: v4(), ref: block.id, rungs: rungsOf(players), locked: false, why };
  });
  return { offers, items, own: ownOf(items, asSet), reckoned };
}

/** How each block runs as it is set, by the block. */
function ownOf(
  items: readonly PlanItem[],
  asSet: (item: PlanItem) => Offer | null,
): Record<string, Offer> {
  return Object.fromEntries(
    items.flatMap((item) => {
      const offer = asSet(item);
      return offer ? [[item.id, offer]] : [];
    }),
  );
}

/** One block as it is set, on its rungs; null when there is no such drill any more. */
export async function blockAsSet(
  database: Database,
  principal: CoachPrincipal,
  { frame, item }: { frame: Ground; item: PlanItem },
): Promise<Offer | null> {
  const { asSet } = await planner(database, principal, frame, new Date());
  return asSet(item);
}

/** A plan that was kept, timed as its students are now; with all that suits, where that is shown. */
export async function planTimed(
  database: Database,
  principal: CoachPrincipal,
  { frame, items, choosing }: { frame: Ground; items: PlanItem[]; choosing: boolean },
): Promise<Omit<Proposal, 'items'>> {
  const { suiting, asSet, reckoned } = await planner(database, principal, frame, new Date());
  return { offers: choosing ? suiting().offers : [], own: ownOf(items, asSet), reckoned };
}
