import { standing, type Layout, type Standing } from './layout';

/** What is logged on a layout: one element by the large keys, the others by one more touch. */
export interface LoggedElements {
  primary: Standing | null;
  others: Standing[];
}

/**
 * The elements that something is logged at. The large keys are for the one that tests the start line, or else for the
 * first.
 *
 * @param layout a layout its schema accepts
 */
export function loggedElements(layout: Layout): LoggedElements {
  const logged = standing(layout).filter((element) => element.outcomes().length > 0);
  const primary = logged.find(({ trains }) => trains === 'start') ?? logged[0] ?? null;
  return { primary, others: logged.filter((element) => element !== primary) };
}
