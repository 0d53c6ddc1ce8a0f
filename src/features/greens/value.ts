/** The value of a green or spot in a list. */
export const greenValue = (greenId: string, spotId: string | null): string =>
  spotId ? `${greenId}/${spotId}` : greenId;

/** The green and spot that such a value names. */
export function greenOf(value: string): { greenId: string; spotId: string | null } {
  const [greenId = '', spotId] = value.split('/');
  return { greenId, spotId: spotId ?? null };
}
