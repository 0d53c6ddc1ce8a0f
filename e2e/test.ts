import { test as base } from '@playwright/test';
import { portOf } from './ports';

export { expect, type Page } from '@playwright/test';

/** A test on the server of its worker: no other changes what it sees, and no page of another goes on beside it. */
export const test = base.extend<{ alone: void }>({
  baseURL: async ({}, give, { parallelIndex }) => give(`http://127.0.0.1:${portOf(parallelIndex)}`),
  // A page that a test opened by itself would stay, ask the server of the next test, and give it what waited there.
  alone: [
    async ({ browser }, go) => {
      await go();
      await Promise.all(browser.contexts().map((context) => context.close()));
    },
    { auto: true },
  ],
});
