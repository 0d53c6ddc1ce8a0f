import { test as base } from '@playwright/test';
import { portOf } from './ports';

export { expect, type Page } from '@playwright/test';

/** A test on the server of its worker: no other changes what it sees. */
export const test = base.extend({
  baseURL: async ({}, give, { parallelIndex }) => give(`http://127.0.0.1:${portOf(parallelIndex)}`),
});
