import 'server-only';
import {
  listProgrammes,
  refreshProgramme,
  type CoachPrincipal,
  type Database,
  type Programme,
} from '@/data';
import { reckon } from '../reckoning/pool';

/** The programmes that go on, brought up to date. */
export async function currentProgrammes(
  database: Database,
  principal: CoachPrincipal,
  at: Date,
  zone: string,
): Promise<Programme[]> {
  const going = (await listProgrammes(database, principal)).filter(({ endedAt }) => !endedAt);
  if (going.length === 0) return [];
  const all = await reckon(
    'needs',
    principal,
    going.map(({ studentId }) => studentId),
  );
  const refreshed: Programme[] = [];
  for (const [index, { id }] of going.entries()) {
    const needs = all[index]!;
    refreshed.push(await refreshProgramme(database, principal, id, { needs, at, zone }));
  }
  return refreshed;
}
