import { addDrill, addStudent, logByKeys, startSession } from './coach';
import { expect, type Page } from './test';
import type { Browser, BrowserContext } from '@playwright/test';

/** What a browser or a server can do to what was logged, and what the coach must see and have. */
export interface Fault {
  tried: string;
  must: string;
  /** Takes half a minute: for the fault run only, the queue's own tests have it too. */
  long?: true;
  /** Makes ready whatever goes wrong, before the page is opened. */
  before?(context: BrowserContext, session: string): Promise<void>;
  /** Logs, on an opened session, with what goes wrong; answers with how many putts were logged. */
  log(page: Page, context: BrowserContext): Promise<number>;
}

const REFUSES = `indexedDB.open = () => { throw new DOMException('Not here.', 'SecurityError'); };`;
const FULL = `for (const name of ['add', 'put'])
  IDBObjectStore.prototype[name] = () => { throw new DOMException('Full.', 'QuotaExceededError'); };`;
const NO_LOCKS = `Object.defineProperty(navigator, 'locks', { value: undefined });`;

const spoil = async (context: BrowserContext, script: string): Promise<void> => {
  await context.addInitScript(script);
};

const sign = (page: Page) => page.getByText('not stored on this device');
const saved = (page: Page) => expect(page.getByText('all saved')).toBeVisible({ timeout: 30_000 });

/** Holds the database that pages of the version before kept, as a tab does that was never closed. */
async function olderTab(context: BrowserContext, session: string): Promise<void> {
  const page = await context.newPage();
  await page.goto(new URL('/icon.svg', session).href);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const request = indexedDB.open('dirigo', 3);
        request.onupgradeneeded = () => {
          const events = request.result.createObjectStore('events', { autoIncrement: true });
          events.createIndex('run', 'runId');
          request.result.createObjectStore('told', { keyPath: 'runId' });
        };
        request.onsuccess = () => resolve();
      }),
  );
}

/** Puts an event on the device that the server cannot take, between good ones. */
const badEvent = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('dirigo');
        request.onsuccess = () => {
          const store = request.result.transaction('events', 'readwrite').objectStore('events');
          const all = store.getAll();
          all.onsuccess = () => {
            const [first] = all.result as { runId: string; event: object }[];
            const event = { ...first!.event, id: crypto.randomUUID(), outcomes: { no: 'such' } };
            store.add({ runId: first!.runId, event }).onsuccess = () => {
              request.result.close();
              resolve();
            };
          };
        };
        request.onerror = () => reject(request.error);
      }),
  );

export const FAULTS: Fault[] = [
  {
    tried: 'the browser refuses IndexedDB, server up',
    must: 'sent from memory; red sign',
    before: (context) => spoil(context, REFUSES),
    log: async (page) => {
      await logByKeys(page, 'CCLRCCLC');
      await expect(sign(page)).toBeVisible();
      await saved(page);
      return 8;
    },
  },
  {
    tried: 'device storage full',
    must: 'sent from memory; red sign',
    log: async (page) => {
      await logByKeys(page, 'CCLC');
      await page.evaluate(FULL);
      await logByKeys(page, 'CCLRC');
      await expect(sign(page)).toBeVisible();
      await saved(page);
      return 9;
    },
  },
  {
    tried: 'site data cleared while open',
    must: 'reopened, nothing lost',
    log: async (page, context) => {
      await logByKeys(page, 'CC');
      const tools = await context.newCDPSession(page);
      const { origin } = new URL(page.url());
      await tools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb' });
      await logByKeys(page, 'CLC');
      await saved(page);
      return 5;
    },
  },
  {
    tried: 'an older tab holds the old version',
    must: 'sent from memory; red sign',
    before: olderTab,
    log: async (page) => {
      await logByKeys(page, 'CLCCC');
      await expect(sign(page)).toBeVisible();
      await saved(page);
      return 5;
    },
  },
  {
    tried: 'a page without HTTPS: no locks',
    must: 'sent',
    before: (context) => spoil(context, NO_LOCKS),
    log: async (page) => {
      await logByKeys(page, 'CCL');
      await saved(page);
      return 3;
    },
  },
  {
    tried: '501 putts made offline',
    must: 'sent, in batches',
    long: true,
    log: async (page, context) => {
      await context.setOffline(true);
      await logByKeys(page, 'C'.repeat(501));
      await expect(page.getByText('501 kept here, no connection')).toBeVisible({ timeout: 60_000 });
      await context.setOffline(false);
      await saved(page);
      return 501;
    },
  },
  {
    tried: 'one refused event among good ones',
    must: 'set aside with its reason, saved as a file; the rest goes on',
    log: async (page, context) => {
      await context.setOffline(true);
      await logByKeys(page, 'CL');
      await expect(page.getByText('2 kept here, no connection')).toBeVisible();
      await badEvent(page);
      await logByKeys(page, 'C');
      await context.setOffline(false);
      await saved(page);
      const aside = page.getByRole('alert', { name: 'Set aside' });
      await expect(aside).toContainText('One entry was set aside.');
      const download = page.waitForEvent('download');
      await aside.getByRole('button', { name: 'Save it as a file' }).click();
      expect((await download).suggestedFilename()).toMatch(/^set-aside-.*\.json$/);
      await aside.getByRole('button', { name: 'Discard it' }).click();
      await aside.getByRole('button', { name: 'Discard it permanently' }).click();
      await expect(aside).toHaveCount(0);
      return 3;
    },
  },
  {
    tried: 'a server that cannot save',
    must: 'waited for, told',
    log: async (page) => {
      const message = 'The disk is full.';
      await page.route('**/api/runs/**', (route) =>
        route.fulfill({ status: 503, json: { ok: false, code: 'database', message } }),
      );
      await logByKeys(page, 'CC');
      await expect(page.getByText('2 kept here, server cannot save')).toBeVisible();
      await expect(page.getByText(message)).toBeVisible();
      await page.unroute('**/api/runs/**');
      await saved(page);
      return 2;
    },
  },
];

/** A session that faults are tried on, of a name no other test uses. */
export async function faultSession(page: Page, name: string): Promise<string> {
  await addStudent(page, name);
  await addDrill(page, `${name} gate`);
  await startSession(page, name, `${name} gate`);
  return page.url();
}

/** How many putts the server has of a session, as a device sees it that was never there. */
export async function puttsOf(browser: Browser, session: string): Promise<number> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(session);
  const count = page.getByRole('status', { name: 'count' });
  await expect(count).toHaveText(/\d+of \d+ through/);
  const putts = Number(/of (\d+)/.exec((await count.textContent()) ?? '')![1]);
  await context.close();
  return putts;
}

/** Tries a fault on a session; answers with what was logged and what the server has of it. */
export async function tryFault(
  browser: Browser,
  session: string,
  { before, log }: Fault,
): Promise<{ logged: number; kept: number }> {
  const already = await puttsOf(browser, session);
  const context = await browser.newContext();
  await before?.(context, session);
  const page = await context.newPage();
  await page.goto(session);
  await saved(page);
  const logged = await log(page, context);
  await context.close();
  return { logged, kept: (await puttsOf(browser, session)) - already };
}
