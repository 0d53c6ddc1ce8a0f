/** A cold test is due again after so many days. */
const AGAIN_AFTER = 28;
const DAY_MS = 86_400_000;

/**
 * Whether a cold test is due.
 *
 * @param last when the last was taken; nothing when none was
 * @param at now
 */
export const coldTestDue = (last: Date | undefined, at: Date): boolean =>
  !last || at.getTime() - last.getTime() >= AGAIN_AFTER * DAY_MS;
