/** Regions in which golfers measure a putt in feet. */
const FEET = new Set(['US', 'GB', 'IE', 'CA', 'ZA', 'IN']);

/**
 * Returns the units that putts are usually measured in where a browser is from.
 *
 * @param languages the Accept-Language header: "en-GB,en;q=0.9", in order of preference
 * @returns feet where the first region uses them, or where only English is named; metres elsewhere
 */
export function usualUnits(languages: string | null): 'imperial' | 'metric' {
  const tags = (languages ?? 'en').split(',').map((one) => one.split(';')[0]!.trim());
  const region = tags.map((tag) => /-([A-Z]{2})$/i.exec(tag)?.[1]?.toUpperCase()).find(Boolean);
  if (region) return FEET.has(region) ? 'imperial' : 'metric';
  return tags[0]!.startsWith('en') ? 'imperial' : 'metric';
}
