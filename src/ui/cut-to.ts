/**
 * Words cut to a room, with what shows that they were.
 *
 * @param widthOf how wide some words are
 */
export function cutTo(words: string, room: number, widthOf: (words: string) => number): string {
  if (widthOf(words) <= room) return words;
  let cut = words;
  while (cut.length > 1 && widthOf(`${cut}…`) > room) cut = cut.slice(0, -1);
  return `${cut.trimEnd()}…`;
}
