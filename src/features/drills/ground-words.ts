import { format } from '@/ui/when';
import { fallsWords } from '@/core/green';
import type { Layout } from '@/core/layout';
import { showGrade, showLength, type UnitPreferences } from '@/core/units';

/** Where a putt stands: "Bollard green, Crane side, read 21 Nov"; null when it is on no green. */
export function readWords({ read }: Layout): string | null {
  if (!read) return null;
  const at = `measured ${format(new Date(read.at), 'd MMM')}`;
  return read.spotId === null ? `${read.green}, speed ${at}` : `${read.green}, ${read.spot}, ${at}`;
}

/** Which green and how it was played: "Bollard green, read 21 Nov: 9.3 ft, flat", or "Green 10 ft, flat". */
export const greenWords = (layout: Layout, units: UnitPreferences): string =>
  [readWords(layout) ?? 'Green', groundWords(layout, units)].join(layout.read ? ': ' : ' ');

/** The green as it was played: "9.3 ft, falls 1.8 % left". */
export function groundWords({ putt, read }: Layout, units: UnitPreferences): string {
  const speed = showLength(putt.greenSpeed, 'speed', units);
  const { slope, tiers } = putt;
  if (tiers.length > 0) return `${speed}, ${tiers.length + 1} different slopes`;
  const fall =
    slope.grade === 0 ? 'flat' : `falls ${showGrade(slope.grade)} ${fallsWords(slope.falls)}`;
  // Without a spot only the speed was read there.
  return read?.spotId === null
    ? `${speed}; slope as designed, not measured: ${fall}`
    : `${speed}, ${fall}`;
}
