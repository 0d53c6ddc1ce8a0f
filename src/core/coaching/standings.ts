/** How one of several players stands in a game. */
export interface Standing {
  id: string;
  name: string;
  /** The larger, the better. */
  points: number;
  done: boolean;
}

/**
 * How a game of several players stands, in a sentence: the winner once somebody is there, else who leads.
 *
 * @param players two or more
 */
export function standingsWords(players: readonly Standing[]): string {
  const ranked = [...players].sort((a, b) => b.points - a.points);
  const [first, second] = ranked;
  if (!first || !second) return '';
  const winner = ranked.find(({ done }) => done);
  const list = ranked.map(({ name, points }) => `${name} ${points}`).join(', ');
  if (winner) return `${winner.name} wins: ${list}.`;
  const ahead = first.points - second.points;
  return ahead === 0 ? `Level at ${first.points}.` : `${first.name} leads by ${ahead}.`;
}
