'use client';

import { tzOffset } from '@date-fns/tz';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Says which clock times are told by, where this device's own clock shows another. */
export function ZoneNote({ zone }: { zone?: string }) {
  const other = useSyncExternalStore(
    never,
    () => {
      const now = new Date();
      return zone !== undefined && tzOffset(zone, now) !== -now.getTimezoneOffset();
    },
    () => false,
  );
  if (!other) return null;
  return (
    <p className="border-b border-rule bg-paper px-4 py-1 text-center text-sm text-ink2 print:hidden">
      Times are those of {zone!.replaceAll('_', ' ')}, not of this device.
    </p>
  );
}
