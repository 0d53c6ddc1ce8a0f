import { relative } from 'node:path';

/** Short when the file lies below the folder Dirigo was started in. */
export function shownPath(path: string): string {
  const below = relative(process.cwd(), path);
  return below.startsWith('..') ? path : below;
}
