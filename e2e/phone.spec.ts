import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { connect } from 'node:tls';
import { chromium } from '@playwright/test';
import { academyBook, signInBy, type AcademyBook } from './academy-book';
import { ask } from './actions';
import { serve, type OwnServer } from './server';
import { expect, test } from './test';
import { certificates } from '../server/certificates.mjs';
import { ownPort } from './ports';

const PORT = ownPort('phone');
const ADDRESS = `https://127.0.0.1:${PORT}`;
let book: AcademyBook;
let server: OwnServer | undefined;
let front: ChildProcess | undefined;

test.beforeEach(async ({}, info) => {
  book = await academyBook(info.outputPath('phone', 'phone.db'));
});

test.afterEach(async () => {
  front?.kill();
  await server?.kill();
  await book.database.close();
});

/** The pages of a session, with the drill of the book, begun by the head coach. */
async function beginOn(page: import('./test').Page): Promise<string> {
  await page.goto(`/start?student=${book.students.shared}&drill=${book.drill}`);
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(page.getByText('all saved')).toBeVisible();
  return new URL(page.url()).pathname;
}

test('a phone opens the same session by a code, over HTTPS, and is signed out from the laptop', async ({}, info) => {
  // As a phone that was told to trust the certificate: a service worker stands only where it is trusted.
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--ignore-certificate-errors'],
  });
  server = await serve(PORT, info.outputPath('phone', 'phone.db'), {
    env: { DIRIGO_OPEN: '0' },
    args: ['--network', '--address', '127.0.0.1'],
    url: ADDRESS,
  });
  const secure = { baseURL: ADDRESS };
  const laptop = await (await browser.newContext(secure)).newPage();
  laptop.setDefaultTimeout(20_000);
  await signInBy(laptop, await book.linkFor('head'));
  const path = await beginOn(laptop);
  await laptop.getByRole('button', { name: 'More' }).click();
  await laptop.getByRole('button', { name: 'Open on a phone' }).click();
  await expect(
    laptop.getByRole('img', { name: 'QR code that opens this page on a phone' }),
  ).toBeVisible();
  await expect(laptop.getByRole('timer')).toContainText(/for another [12]:\d\d/);
  await laptop.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await laptop.getByRole('button', { name: 'Copy address' }).click();
  const address = await laptop.evaluate(() => navigator.clipboard.readText());
  expect(address).toMatch(new RegExp(`^https://127\\.0\\.0\\.1:${PORT}/sign-in/[\\w-]{32}$`));

  const phone = await browser.newContext({ ...secure, viewport: { width: 390, height: 844 } });
  const there = await phone.newPage();
  there.setDefaultTimeout(20_000);
  await there.goto(address);
  await there.getByRole('button', { name: 'Sign in on this device' }).click();
  await there.waitForURL(`**${path}`);
  await expect(there.getByText('all saved')).toBeVisible();
  expect(await there.evaluate(() => window.isSecureContext)).toBe(true);
  await there.waitForFunction(() => navigator.serviceWorker.controller !== null);
  const cookie = (await phone.cookies()).find(({ name }) => name === '__Host-dirigo')!;
  expect([cookie.secure, cookie.httpOnly]).toEqual([true, true]);
  await there
    .getByRole('button', { name: /Through/ })
    .first()
    .click();
  await expect(there.getByText('all saved')).toBeVisible();
  // The code is used up.
  const thief = await (await browser.newContext(secure)).newPage();
  await thief.goto(address);
  await expect(thief.getByRole('heading', { name: 'This link no longer works' })).toBeVisible();

  await test.step('signed out, it is out at once', async () => {
    await laptop.goto('/records/sign-in');
    const devices = laptop.getByRole('region', { name: 'Signed in' }).getByRole('listitem');
    await expect(devices).toHaveCount(2);
    await devices.filter({ hasNotText: 'this device' }).getByRole('button').click();
    await expect(devices).toHaveCount(1);
    await there
      .getByRole('button', { name: /Through/ })
      .first()
      .click();
    await expect(there.getByText(/signed out on this device/)).toBeVisible();
    await there.goto(path);
    await expect(there.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();
  });

  await test.step('what a phone is handed first is the certificate of this machine, and nothing else', async () => {
    const welcome = await ask(`http://127.0.0.1:${PORT + 80}/`);
    expect(welcome.text).toContain('Certificate Trust Settings');
    const certificate = await ask(`http://127.0.0.1:${PORT + 80}/dirigo.crt`);
    expect(certificate.text).toContain('BEGIN CERTIFICATE');
    expect((await ask(`http://127.0.0.1:${PORT + 80}/students`)).status).toBe(404);
    const trusted = await new Promise<boolean>((resolve) => {
      const socket = connect(
        { host: '127.0.0.1', port: PORT, ca: certificate.text, servername: 'localhost' },
        () => resolve(socket.authorized),
      ).once('error', () => resolve(false));
    });
    expect(trusted).toBe(true);
  });
  await browser.close();
});

test('own certificate files serve the names that stand in them, and no other', async ({}, info) => {
  const folder = info.outputPath('own');
  mkdirSync(folder, { recursive: true });
  const { server: own } = await certificates(folder, ['127.0.0.1', 'putting.wharf.example']);
  const [certificate, key] = [`${folder}/own.crt`, `${folder}/own.key`];
  writeFileSync(certificate, own.certificate);
  writeFileSync(key, own.key);
  server = await serve(PORT, info.outputPath('phone', 'phone.db'), {
    env: { DIRIGO_OPEN: '1', DIRIGO_CERT: certificate, DIRIGO_KEY: key },
    args: ['--network'],
    url: ADDRESS,
  });
  const status = (host: string) => askSecurely(`${ADDRESS}/sign-in`, host);
  expect(await status(`127.0.0.1:${PORT}`)).toBe(200);
  expect(await status(`putting.wharf.example:${PORT}`)).toBe(200);
  expect(await status('elsewhere.example')).toBe(403);
  // Served to others it always asks, even as a demo.
  expect(await askSecurely(`${ADDRESS}/students`, `127.0.0.1:${PORT}`)).toBe(307);
});

/** The status under a name, whatever the certificate. */
async function askSecurely(url: string, host: string): Promise<number> {
  const { request } = await import('node:https');
  return new Promise((resolve, reject) =>
    request(url, { headers: { host }, rejectUnauthorized: false, servername: 'localhost' })
      .once('response', (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      })
      .once('error', reject)
      .end(),
  );
}

test('behind a real server in front it works, and what is forwarded is believed from there only', async ({
  browser,
}, info) => {
  const folder = info.outputPath('front');
  mkdirSync(`${folder}/tmp`, { recursive: true });
  const outside = ownPort('in front of phone');
  const { server: own } = await certificates(folder, ['127.0.0.1']);
  writeFileSync(`${folder}/own.crt`, own.certificate);
  writeFileSync(`${folder}/own.key`, own.key);
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${folder}/tmp/${name};`)
    .join('\n');
  // The file that the documentation names, with this test's ports and certificates.
  const site = readFileSync('deploy/nginx.conf', 'utf8')
    .replace('listen 443 ssl', `listen 127.0.0.1:${outside} ssl`)
    .replace('putting.wharf.example;', '127.0.0.1;')
    .replace('/etc/dirigo/certificate.pem', `${folder}/own.crt`)
    .replace('/etc/dirigo/key.pem', `${folder}/own.key`)
    .replace('127.0.0.1:3000', `127.0.0.1:${PORT}`);
  writeFileSync(
    `${folder}/nginx.conf`,
    `daemon off; pid ${folder}/nginx.pid; error_log ${folder}/error.log;
     events {} http { access_log off; ${temporary} ${site} }`,
  );
  const origin = `https://127.0.0.1:${outside}`;
  server = await serve(PORT, info.outputPath('phone', 'phone.db'), {
    env: { DIRIGO_OPEN: '1', DIRIGO_ORIGIN: origin, DIRIGO_TRUST_PROXY: '127.0.0.1' },
  });
  front = spawn(process.env.NGINX ?? '/usr/sbin/nginx', ['-c', `${folder}/nginx.conf`], {
    stdio: 'ignore',
  });
  const context = await browser.newContext({ baseURL: origin, ignoreHTTPSErrors: true });
  const page = await context.newPage();
  const link = await book.linkFor('head');
  await expect(async () => {
    await page.goto(link);
  }).toPass();
  await page.getByRole('button', { name: 'Sign in on this device' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await beginOn(page);
  await page.keyboard.press('Space');
  await expect(page.getByText('all saved')).toBeVisible();
  // Past the server in front, under its own number, nothing is there.
  expect((await ask(`http://127.0.0.1:${PORT}/`)).status).toBe(403);
  await context.close();
});

test('a body without a length is refused', async ({}, info) => {
  server = await serve(PORT, info.outputPath('phone', 'phone.db'));
  const status = await new Promise<number>((resolve, reject) => {
    const asked = httpRequest(`${server!.url}/api/runs/x/putts`, {
      method: 'POST',
      headers: { 'transfer-encoding': 'chunked' },
    });
    asked.once('response', (response) => resolve(response.statusCode ?? 0));
    asked.once('error', reject);
    asked.write('a');
    asked.end();
  });
  expect(status).toBe(411);
});

test('it can be put on a home screen: name, colours, icons, start page', async ({}, info) => {
  server = await serve(PORT, info.outputPath('phone', 'phone.db'), { env: { DIRIGO_OPEN: '0' } });
  const at = (path: string) => ask(new URL(path, server!.url).href);
  const manifest = JSON.parse((await at('/manifest.webmanifest')).text) as {
    name: string;
    start_url: string;
    display: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest).toMatchObject({ name: 'Dirigo', start_url: '/', display: 'standalone' });
  expect(manifest.icons.map(({ sizes }) => sizes)).toEqual(['192x192', '512x512', '512x512']);
  for (const { src } of [...manifest.icons, { src: '/icons/180.png' }]) {
    const icon = await at(src);
    expect([icon.status, icon.headers['content-type']], src).toEqual([200, 'image/png']);
  }
});

test('a clicker’s keys are set, tried out, and log', async ({ browser }, info) => {
  server = await serve(PORT, info.outputPath('phone', 'phone.db'));
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();
  await beginOn(page);
  const count = page.getByRole('status', { name: 'count' });
  await page.keyboard.press('PageDown');
  await expect(count).toContainText('0');
  await page.getByRole('button', { name: 'More' }).click();
  const told = page.getByRole('status', { name: 'key pressed' });
  await page.keyboard.press('PageDown');
  await expect(told).toHaveText('Page down: does nothing yet');
  for (const [what, key] of [
    ['All good', 'PageDown'],
    ['Left', 'PageUp'],
    ['Undo', 'b'],
  ] as const) {
    await page.getByRole('button', { name: `Set a key for ${what}` }).click();
    await expect(told).toContainText(`Press the key for “${what}”`);
    await page.keyboard.press(key);
    await expect(told).toContainText(what);
  }
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('PageDown');
  await page.keyboard.press('PageUp');
  await expect(count).toContainText('1of 2');
  await page.keyboard.press('b');
  await expect(count).toContainText('1of 1');
  await page.reload();
  await page.keyboard.press('PageDown');
  await expect(count).toContainText('2of 2');
  await context.close();
});

test('after an upgrade an old page renews itself, and what old builds kept is emptied', async ({
  browser,
}, info) => {
  const file = info.outputPath('phone', 'phone.db');
  server = await serve(PORT, file, { env: { DIRIGO_OPEN: '1', DIRIGO_BUILD: 'old' } });
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();
  await beginOn(page);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.waitForFunction(async () => (await caches.keys()).includes('dirigo-pages-old'));
  await page.keyboard.press('Space');
  await expect(page.getByText('all saved')).toBeVisible();
  await server.kill();
  server = await serve(PORT, file, { env: { DIRIGO_OPEN: '1', DIRIGO_BUILD: 'new' } });
  await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  // At once, or, where the new server is slow to wake, at the next try.
  await expect(page.locator('html')).toHaveAttribute('data-build', 'new', { timeout: 60_000 });
  await expect(page.getByRole('status', { name: 'count' })).toContainText('1of 1');
  await page.waitForFunction(
    async () => !(await caches.keys()).some((name) => name.endsWith('-old')),
  );
  await context.close();
});

test('a link that is ended ends on the phone too, and twelve taps start one session', async ({
  browser,
}, info) => {
  const { giveHomework, headCoach, makeLink } = await import('../src/data');
  const principal = await headCoach(book.database);
  const at = new Date();
  const day = (offset: number) =>
    new Date(at.getTime() + offset * 864e5).toISOString().slice(0, 10);
  await giveHomework(
    book.database,
    principal,
    book.students.shared,
    {
      drillId: book.drill,
      rung: null,
      timesAWeek: 3,
      from: day(-1),
      until: day(10),
      note: '',
    },
    at,
  );
  const link = await makeLink(book.database, principal, book.students.shared, at);
  server = await serve(PORT, info.outputPath('phone', 'phone.db'), { env: { DIRIGO_OPEN: '0' } });
  const context = await browser.newContext({
    baseURL: server.url,
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  const sessions = () => book.database.models.session.count();
  const before = await sessions();
  await test.step('twelve at once', async () => {
    const { builtActions, call, ran } = await import('./actions');
    const start = builtActions().find(({ name }) => name === 'startAtHome')!;
    const homework = (await book.database.models.homework.findOne())!.id;
    const host = `127.0.0.1:${PORT}`;
    const answers = await Promise.all(
      Array.from({ length: 12 }, () =>
        call(server!.url, `/home/${link}`, start, [link, { id: homework, carpet: false }], {
          host,
          origin: `http://${host}`,
        }),
      ),
    );
    expect(answers.every(ran)).toBe(true);
    expect(await sessions()).toBe(before + 1);
  });
  await page.goto(`/home/${link}`);
  await page.getByRole('button', { name: /Resume/ }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.waitForFunction(
    async () =>
      (
        await (
          await caches.open((await caches.keys()).find((one) => one.includes('pages'))!)
        ).keys()
      ).length > 0,
  );
  const { endLink } = await import('../src/data');
  await endLink(book.database, principal, book.students.shared, new Date());
  await page
    .getByRole('button', { name: /Through/ })
    .first()
    .click();
  // What was logged since stays on the device; nothing else of the link does.
  const told = page.getByText('This link was revoked. Ask your coach for a new one.');
  await expect(page.getByRole('alert').filter({ has: told })).toContainText(
    /Set (it|these \d) aside/,
  );
  await page.goto(`/home/${link}`);
  await expect(told).toBeVisible();
  await page.waitForFunction(
    async () =>
      (
        await (
          await caches.open((await caches.keys()).find((one) => one.includes('pages'))!)
        ).keys()
      ).length === 0,
  );
  await context.close();
});
