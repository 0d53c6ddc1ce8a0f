import { expect, type Page } from './test';

/** Twice a place is looked at with text of twice its size: on the narrowest phone. */
const NARROW = { width: 320, height: 640 };
const TURNED = [
  { width: 844, height: 390 },
  { width: 390, height: 844 },
];

/** What is wrong with the looks of a place that no rule of access tells. */
interface Faults {
  /** Headings of the first order: one is right. */
  heads: number;
  /** Pairs of texts that lie on top of each other. */
  overlaps: string[];
  /** Texts that reach beyond the screen on its right. */
  outside: string[];
}

/**
 * Looks at the texts of a page as they lie: each by the box of its own words. What is cut off on purpose, hidden, or lies under
 * something that stays in sight while the page is scrolled is left aside.
 */
export const faultsIn = (page: Page): Promise<Faults> =>
  page.evaluate(() => {
    const shown = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
      !element.closest(
        '.sr-only, [aria-hidden=true], nav, [class*=sticky], details:not([open]) > :not(summary)',
      );
    const boxes: { words: string; element: Element; box: DOMRect }[] = [];
    const walk = document.createTreeWalker(
      document.querySelector('main') ?? document.body,
      NodeFilter.SHOW_TEXT,
    );
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const element = node.parentElement!;
      const words = node.textContent!.trim();
      if (words === '' || ['STYLE', 'SCRIPT', 'OPTION', 'TITLE'].includes(element.tagName))
        continue;
      if (!shown(element)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects()) {
        if (box.width > 1 && box.height > 1)
          boxes.push({ words: words.slice(0, 40), element, box });
      }
    }
    const overlaps: string[] = [];
    for (const [i, one] of boxes.entries()) {
      for (const other of boxes.slice(i + 1)) {
        if (one.element === other.element) continue;
        const wide =
          Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left);
        const high =
          Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top);
        // Lines that touch are no overlap, nor is the leading of a line.
        if (wide > 4 && high > 0.45 * Math.min(one.box.height, other.box.height)) {
          overlaps.push(`${one.words} × ${other.words}`);
        }
      }
    }
    const cut = (element: Element) => {
      for (let up: Element | null = element; up; up = up.parentElement) {
        const { overflowX } = getComputedStyle(up);
        if (overflowX === 'auto' || overflowX === 'scroll' || overflowX === 'hidden') return true;
      }
      return false;
    };
    return {
      heads: document.querySelectorAll('h1').length,
      overlaps: [...new Set(overlaps)],
      outside: boxes
        .filter(({ box, element }) => box.right > innerWidth + 1 && !cut(element))
        .map(({ words }) => words),
    };
  });

/** How much wider than the screen a page is, once what is drawn has followed its size. */
async function expectFits(page: Page, where: string): Promise<void> {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - innerWidth), {
      message: where,
      timeout: 3_000,
    })
    .toBeLessThanOrEqual(0);
}

/**
 * Looks over the place that is open as an eye would, on a phone that lies and is then turned: one head, no two texts on top of each
 * other, nothing beyond the screen; and with text of twice its size.
 */
export async function lookOver(page: Page, path: string): Promise<void> {
  for (const viewport of TURNED) {
    await page.setViewportSize(viewport);
    const where = `${path} at ${viewport.width} × ${viewport.height}`;
    await expectFits(page, where);
    await expect
      .poll(() => faultsIn(page), { message: where, timeout: 3_000 })
      .toEqual({ heads: expect.any(Number), overlaps: [], outside: [] });
  }
  const { heads } = await faultsIn(page);
  expect(heads, `${path}: heads`).toBeLessThanOrEqual(1);
  await expect(page).toHaveTitle(/Dirigo/);
  await page.setViewportSize(NARROW);
  await page.evaluate(() => document.documentElement.style.setProperty('font-size', '200%'));
  await expectFits(page, `${path} with text of twice its size`);
}
