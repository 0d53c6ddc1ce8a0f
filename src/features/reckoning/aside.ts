/** How long those who reckon are kept still at a stretch, ms: answering a putt takes a few. */
export const STRETCH = 25;

/**
 * Has whoever reckons stand still while somebody is answered who is not to wait for them. They are on a processor of their own
 * at best, and the system lets one that runs go on for some milliseconds before another gets its turn.
 *
 * @param still keeps them still; whether there is anybody
 * @param on lets them go on
 * @returns begins an answer; what that returns ends it, once. Answers that follow one another without a gap keep nobody still
 *   for longer than {@link STRETCH}
 */
export function standingAside(still: () => boolean, on: () => void): () => () => void {
  let answering = 0;
  let enough: NodeJS.Timeout | undefined;
  return () => {
    answering += 1;
    if (answering === 1 && still()) enough = setTimeout(on, STRETCH);
    let ended = false;
    return () => {
      if (ended) return;
      ended = true;
      answering -= 1;
      if (answering > 0 || !enough) return;
      clearTimeout(enough);
      enough = undefined;
      on();
    };
  };
}
