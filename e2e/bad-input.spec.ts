import { expect, test, type Page } from './test';
import { addDrill, addStudent, expectCount, finish, logByKeys, startSession, type } from './coach';

test('numbers that cannot be built are told beside their field, and the drawing stays', async ({
  page,
}) => {
  await page.goto('/drills/new');
  await expect(page.getByLabel('Gap', { exact: true })).toHaveValue('67 mm');
  for (const [label, text, words] of [
    ['Gap', '42 mm', 'A gap of 42 mm is too small: use 43 mm to 500 mm.'],
    ['Ball to gate', '9 ft', 'A gate at 9 ft is beyond the hole: use 8 ft or less on this putt.'],
    ['Putt', '0', 'A putt of 0 is too small'],
    ['Putt', '1 km', '“1 km” is not a length.'],
    ['Putt', '1000 m', 'A putt of 1000 m is too large: use 0.3 m to 40 m.'],
    ['Slope', '9', 'A slope of 9 is too steep: use 0 % to 8 %.'],
    ['Green speed', 'fast', '“fast” is not a length.'],
  ] as const) {
    const before = await page.getByLabel(label, { exact: true }).inputValue();
    await type(page, label, text);
    await expect(page.getByText(words)).toBeVisible();
    await expect(
      page.getByText('The drawing shows the last values that could be built.'),
    ).toBeVisible();
    await expect(page.getByRole('img', { name: /A putt of 8 ft/ })).toBeVisible();
    await type(page, label, before);
    await expect(page.getByText(words)).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Save drill' }).click();
  await expect(page.getByText('Enter a name.')).toBeVisible();
});

test('a name of ten thousand letters is refused and kept in the field', async ({ page }) => {
  await page.goto('/students/new');
  await type(page, 'Name', 'x'.repeat(10_000));
  await page.getByRole('button', { name: 'Add student' }).click();
  await expect(page.getByText('The name is too long: use at most 80 characters.')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('x'.repeat(10_000));
});

for (const path of [
  '/students/nobody',
  '/drills/0b2c6b0e-6f0a-4a0e-9c70-111111111111',
  '/sessions/x',
  '/sessions/x/review',
  '/moat',
]) {
  test(`an unknown address says so: ${path}`, async ({ page }) => {
    const response = await page.goto(path);
    expect(response?.status()).toBe(404);
    await expect(page.getByText('Page not found')).toBeVisible();
    await expect(page.getByText(/at .*\.(ts|js):\d+/)).toHaveCount(0);
  });
}

test('a session is not started without saying who and what', async ({ page }) => {
  await addStudent(page, 'Nell Towpath');
  await addDrill(page, 'Towpath gate');
  await page.goto('/start');
  await page.getByRole('button', { name: 'Start session' }).click();
  await expect(page.getByText('Choose a student.')).toBeVisible();
  await expect(page.getByText('Choose a drill.')).toBeVisible();
});

test('what a screen with no signal logged comes in after the session was finished elsewhere; later it asks', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  await addStudent(page, 'Ida Sluice');
  await addDrill(page, 'Sluice gate');
  await startSession(page, 'Ida Sluice', 'Sluice gate');
  await context.setOffline(true);
  await logByKeys(page, 'CCL');
  await expect(page.getByText('3 kept here, no connection')).toBeVisible();

  const elsewhere = await browser.newContext({ baseURL });
  const other = await elsewhere.newPage();
  await other.goto(page.url());
  await expectCount(other, 0, 0);
  await finish(other);
  await other.waitForURL((url) => !url.pathname.startsWith('/sessions/'));
  await elsewhere.close();

  await context.setOffline(false);
  await expect(page.getByText('The 3 putts logged here are added to it.')).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();
  await logByKeys(page, 'C');
  await expect(
    page.getByText(/This session was finished at \d\d:\d\d\. Reopen it to add to it\./),
  ).toBeVisible();
  await expectCount(page, 3, 4);
  await page.getByRole('button', { name: 'Reopen and save 1' }).click();
  await expect(page.getByText('all saved')).toBeVisible();
  await page.reload();
  await expectCount(page, 3, 4);
});

test('two tabs on one session: both are kept, and each is told of the other', async ({
  page,
  context,
}) => {
  await addStudent(page, 'Max Lockkeeper');
  await addDrill(page, 'Two tabs');
  await startSession(page, 'Max Lockkeeper', 'Two tabs');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('all saved')).toBeVisible();
  await logByKeys(page, 'CCC');
  await logByKeys(other, 'LR');
  await expectCount(page, 3, 5);
  await expectCount(other, 3, 5);
  await expect(page.getByText(/arrived from another screen/).first()).toBeVisible();
});

test('nothing but a list of putts is taken, and nothing from another site', async ({
  request,
  baseURL,
}) => {
  const own = { origin: baseURL! };
  const run = '/api/runs/0b2c6b0e-6f0a-4a0e-9c70-111111111111/putts';
  const bad = await request.post(run, {
    data: { events: 'three putts' },
    headers: own,
  });
  expect(bad.status()).toBe(422);
  expect(await bad.json()).toMatchObject({ ok: false, code: 'invalid' });
  const unknown = await request.post(run, { data: { events: [] }, headers: own });
  expect(unknown.status()).toBe(404);
  expect((await unknown.json()).message).toContain('This run does not exist.');
  const broken = await request.post(run, {
    data: 'not json',
    headers: { ...own, 'content-type': 'application/json' },
  });
  expect(broken.status()).toBe(422);
  for (const [name, value] of [
    ['origin', 'http://elsewhere.test'],
    ['sec-fetch-site', 'cross-site'],
    ['host', 'elsewhere.test'],
  ] as const) {
    const headers = { ...own, [name]: value };
    const foreign = await request.post(run, { data: { events: [] }, headers });
    expect(foreign.status()).toBe(403);
  }
  // What does not say where it comes from changes nothing.
  expect((await request.post(run, { data: { events: [] } })).status()).toBe(403);
  const page = await request.get('/');
  expect(page.headers()['content-security-policy']).toContain("script-src 'self' 'nonce-");
  expect(page.headers()['x-content-type-options']).toBe('nosniff');
});

test('the copy of the records is a whole database', async ({ request }) => {
  const copy = await request.get('/records/backup');
  expect((await copy.body()).subarray(0, 15).toString()).toBe('SQLite format 3');
});

/** Holds the scripts of the next page back until the returned function is called. */
async function holdScripts(page: Page): Promise<() => void> {
  let arrive = () => {};
  const come = new Promise<void>((resolve) => (arrive = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await come;
    await route.continue();
  });
  return () => arrive();
}

test('what is typed after Ctrl K before the page listens goes into the search', async ({
  page,
}) => {
  const arrive = await holdScripts(page);
  await page.goto('/greens', { waitUntil: 'commit' });
  await page.getByRole('heading', { level: 1, name: 'Greens' }).waitFor();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('settings');
  arrive();
  await expect(page.getByPlaceholder('Student, drill or green…')).toHaveValue('settings');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/records$/);
});

test('what is typed and touched before the page listens is kept, and sent once', async ({
  page,
}) => {
  const arrive = await holdScripts(page);
  await page.goto('/students/new', { waitUntil: 'commit' });
  await page.getByLabel('Name', { exact: true }).fill('Early Wharf');
  await page.getByRole('radio', { name: 'Left-handed' }).click();
  const add = page.getByRole('button', { name: 'Add student' });
  for (let times = 0; times < 3; times++) await add.click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Early Wharf');
  expect(new URL(page.url()).pathname).toBe('/students/new');
  arrive();
  await expect(page.getByRole('heading', { level: 1, name: 'Early Wharf' })).toBeVisible();
  await expect(page.getByText(/^left-handed/)).toBeVisible();
  await page.goto('/students');
  await expect(page.getByRole('link', { name: 'Early Wharf', exact: true })).toHaveCount(1);
});
