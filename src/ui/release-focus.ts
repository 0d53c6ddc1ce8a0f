import type { MouseEvent } from 'react';

/** After a touch or a click the focus is let go, so that the space bar means what the screen says and not this button. */
export function releaseFocus(event: MouseEvent<HTMLElement>): void {
  const byPointer = event.detail > 0;
  if (byPointer) event.currentTarget.blur();
}
