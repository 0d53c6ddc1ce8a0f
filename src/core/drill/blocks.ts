/**
 * Runs by their goings at a drill: those of one block together, in order.
 *
 * @param runs in order
 */
export function blocksOf<Run extends { block: number }>(runs: readonly Run[]): Run[][] {
  const blocks: Run[][] = [];
  for (const run of runs) {
    const last = blocks.at(-1);
    if (last && last[0]!.block === run.block) last.push(run);
    else blocks.push([run]);
  }
  return blocks;
}
