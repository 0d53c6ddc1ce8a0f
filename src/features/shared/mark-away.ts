/**
 * Marks the page of a device whose clock shows another time than the book's, before anything of it is drawn: what stands only there
 * would else push everything down under a finger. Its text goes into the page by itself: it knows nothing but what it is given.
 *
 * @param offset how far the book's clock is ahead of UTC now, minutes
 */
export function markAway(offset: number): void {
  if (-new Date().getTimezoneOffset() !== offset) document.documentElement.dataset.away = '';
}
