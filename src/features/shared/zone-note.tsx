/** Says which clock times are told by; in sight where this device's own clock shows another, from the first look on. */
export function ZoneNote({ zone }: { zone: string }) {
  return (
    <p className="hidden border-b border-rule bg-paper px-4 py-1 text-center text-sm text-ink2 in-[[data-away]]:block print:hidden">
      Times are shown in {zone.replaceAll('_', ' ')} time, not in this device’s time.
    </p>
  );
}
