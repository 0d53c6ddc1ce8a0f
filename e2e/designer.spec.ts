import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { addStudent, finish, setUp, startSession, type } from './coach';

const grip = (page: Page, name: string) =>
  page.getByRole('button', {
    name: `Move ${name} with the arrow keys, and hold Shift for larger steps`,
  });

async function add(page: Page, element: string): Promise<void> {
  await page.getByRole('button', { name: 'Add element', exact: true }).click();
  await page.getByRole('menuitem', { name: element }).first().click();
}

/** Takes hold of the middle of a thing and moves it by so many pixels. */
async function drag(page: Page, name: string, by: { x: number; y: number }): Promise<void> {
  await grip(page, name).first().scrollIntoViewIfNeeded();
  const box = (await grip(page, name).first().boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x / 2, y + by.y / 2, { steps: 4 });
  await page.mouse.move(x + by.x, y + by.y, { steps: 4 });
  await page.mouse.up();
}

const tapeRow = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'Tape list' }).getByRole('row', { name });

test('putter gate, ball gate and half circle at 15 ft, built from nothing by mouse', async ({
  page,
}) => {
  await addStudent(page, 'Lef Tiller', 'Left-handed');
  await page.goto('/drills/new');
  await type(page, 'Name', 'Three by mouse');
  await type(page, 'Putt', '15 ft');
  await add(page, 'Putter gate');
  await expect(tapeRow(page, /heel tee, C/)).toContainText('66.5 mm left');
  await add(page, 'Pace zone');
  await page.getByRole('combobox', { name: 'Zone type' }).click();
  await page.getByRole('option', { name: 'half circle of tees' }).click();
  await expect(tapeRow(page, /half circle, tee 4 of 7/)).toContainText('on the line');

  await test.step('the gate is dragged along, its tee across, and the numbers follow', async () => {
    await page.getByRole('button', { name: /^Ball gate/ }).click();
    await expect(page.getByLabel('Ball to gate', { exact: true })).toHaveValue('18 in');
    await drag(page, 'gate', { x: 60, y: 0 });
    await expect(page.getByLabel('Ball to gate', { exact: true })).not.toHaveValue('18 in');
    const moved = await page.getByLabel('Ball to gate', { exact: true }).inputValue();
    await expect(tapeRow(page, /left tee, A/)).toContainText(moved.replace(' in', ''));
    const gap = await page.getByLabel('Gap', { exact: true }).inputValue();
    await drag(page, 'right tee', { x: 0, y: 12 });
    await expect(page.getByLabel('Gap', { exact: true })).not.toHaveValue(gap);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('Gap', { exact: true })).toHaveValue(gap);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('Ball to gate', { exact: true })).toHaveValue('18 in');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(page.getByLabel('Ball to gate', { exact: true })).toHaveValue(moved);
    await type(page, 'Ball to gate', '18 in');
    await type(page, 'Gap', '58 mm');
  });

  await test.step('what cannot stand is refused with its reason', async () => {
    await type(page, 'Ball to gate', '3 in');
    await expect(page.getByText(/is too small: use 3 15\/16 in to/)).toBeVisible();
    await type(page, 'Ball to gate', '16 ft');
    await expect(page.getByText('use 15 ft or less on this putt.')).toBeVisible();
    await type(page, 'Ball to gate', '18 in');
    await add(page, 'Target tee');
    await expect(
      page.getByText(/The target tee stops the ball before it gets this far/),
    ).toBeVisible();
  });

  await page.getByRole('button', { name: 'Save drill' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Three by mouse' })).toBeVisible();
  await expect(page.getByText('ball gate, putter gate and pace zone')).toBeVisible();

  await test.step('for a left-hander the heel stands on the other side', async () => {
    await page.getByRole('combobox', { name: 'Show for' }).click();
    await page.getByRole('option', { name: 'Lef Tiller' }).click();
    await expect(page.getByText('Lef Tiller: left-handed, 112 mm head, arc.')).toBeVisible();
    await expect(tapeRow(page, /toe tee, C/)).toContainText('66.5 mm left');
  });

  await test.step('the sheet is printed for her, and is one page as PDF', async () => {
    await page.getByRole('link', { name: 'Set-up sheet' }).click();
    await expect(page.getByText('For Lef Tiller: left-handed')).toBeVisible();
    await expect(page.getByText('C toe tee')).toBeVisible();
    await page.getByRole('radio', { name: 'Letter' }).click();
    await expect(page).toHaveURL(/paper=letter/);
    const printed = await page.pdf({ preferCSSPageSize: true });
    expect(printed.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Download PDF' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('three-by-mouse-lef-tiller.pdf');
    const file = readFileSync(await download.path());
    expect(file.subarray(0, 5).toString()).toBe('%PDF-');
    expect(file.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
    const svg = await page.request.get(page.url().replace('/sheet?', '/sheet/svg?'));
    expect(svg.headers()['content-type']).toContain('image/svg+xml');
    expect(await svg.text()).toMatch(/^<svg[^>]*><style>@font-face/);
  });

  await test.step('it is putted and logged: what else happened is one more touch', async () => {
    await startSession(page, 'Lef Tiller', 'Three by mouse');
    await page.keyboard.press('Space');
    await expect(page.getByRole('status', { name: 'count' })).toHaveText('1of 1 passed');
    const touch = (part: string, what: RegExp) =>
      page.getByRole('group', { name: part }).getByRole('button', { name: what }).click();
    await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeDisabled();
    await touch('Putter gate', /heel tee/);
    await touch('Ball gate', /Through/);
    await expect(page.getByRole('status', { name: 'seen so far' })).toContainText('Heel, tee');
    // Nobody looked where it came to rest: that is left open.
    await page.getByRole('button', { name: 'Next', exact: true }).click();
    await expect(page.getByRole('status', { name: 'count' })).toHaveText('1of 2 passed');
    await touch('Ball gate', /left tee/);
    await touch('Pace zone', /Long/);
    await page.keyboard.press('n');
    await expect(page.getByRole('status', { name: 'count' })).toHaveText('1of 3 passed');
    await page.getByRole('button', { name: 'Tape list' }).click();
    const stands = page.getByRole('dialog').getByRole('region', { name: 'As measured' });
    await stands.getByLabel('Gap, inside to inside', { exact: true }).first().fill('62 mm');
    await expect(stands.getByText(/measured ±1\.21°/)).toBeVisible();
    await stands.getByRole('button', { name: 'Score as measured' }).first().click();
    await expect(page.getByText('Putts are scored as measured.')).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await finish(page);
    await expect(
      page.getByText(
        /1 of 3 passed, 1 hit the left tee, 0 hit the right; 1 through, 1 heel; 1 in the zone, 1 long/,
      ),
    ).toBeVisible();
    await expect(page.getByText('· scored as measured')).toBeVisible();
  });
});

test('the same from nothing by keyboard alone', async ({ page }) => {
  await page.goto('/drills/new');
  const { keyboard } = page;
  const fill = async (label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).focus();
    await keyboard.press('ControlOrMeta+a');
    await keyboard.type(text);
  };
  await expect(page.getByLabel('Gap', { exact: true })).toHaveValue('67 mm');
  await fill('Name', 'Three by keys');
  await fill('Putt', '15 ft');
  const addByKeys = async (words: string) => {
    await page.getByRole('button', { name: 'Add element', exact: true }).focus();
    await keyboard.press('Enter');
    await expect(page.getByRole('menu')).toBeVisible();
    // Letters typed before the menu listens go nowhere; it forgets the ones before after a second.
    await expect(async () => {
      await keyboard.type(words);
      const found = page.getByRole('menuitem', { name: new RegExp(`^${words}`) }).first();
      await expect(found).toBeFocused({ timeout: 1500 });
    }).toPass();
    await keyboard.press('Enter');
  };
  await addByKeys('Putter');
  await expect(tapeRow(page, /heel tee, C/)).toBeVisible();
  await addByKeys('Pace');
  await page.getByRole('combobox', { name: 'Zone type' }).focus();
  await keyboard.press('Enter');
  await expect(async () => {
    await keyboard.type('half');
    const found = page.getByRole('option', { name: /^half/ }).first();
    await expect(found).toBeFocused({ timeout: 1500 });
  }).toPass();
  await keyboard.press('Enter');
  await expect(tapeRow(page, /half circle, tee 1 of 7/)).toBeVisible();
  await page.getByRole('button', { name: /^Ball gate/ }).focus();
  await keyboard.press('Enter');
  await grip(page, 'gate').first().focus();
  await keyboard.press('ArrowRight');
  await expect(page.getByLabel('Ball to gate', { exact: true })).toHaveValue('18 1/16 in');
  await keyboard.press('Shift+ArrowLeft');
  await expect(page.getByLabel('Ball to gate', { exact: true })).toHaveValue('17 7/16 in');
  await grip(page, 'right tee').first().focus();
  for (let step = 0; step < 9; step++) await keyboard.press('ArrowUp');
  await expect(page.getByLabel('Gap', { exact: true })).toHaveValue('58 mm');
  await keyboard.press('ControlOrMeta+z');
  await expect(page.getByLabel('Gap', { exact: true })).toHaveValue('67 mm');
  await keyboard.press('ControlOrMeta+y');
  await expect(page.getByLabel('Gap', { exact: true })).toHaveValue('58 mm');
  await page.getByRole('button', { name: 'Save drill' }).focus();
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Three by keys' })).toBeVisible();
  await expect(page.getByText('ball gate, putter gate and pace zone')).toBeVisible();
});

test('a built-in drill is found, copied, changed into a new version, and taken along as a file', async ({
  page,
}, info) => {
  await page.goto('/drills');
  const search = page.getByRole('searchbox');
  await expect(async () => {
    await search.fill('twin gates');
    await expect(page.getByText('Library, 1')).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.getByRole('combobox', { name: 'Stroke type' }).click();
  await page.getByRole('option', { name: 'arc' }).click();
  await page.getByRole('link', { name: 'Twin gates' }).click();
  await expect(
    page.getByText('The ball misses the first gate and is holed. That is luck'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Edit a copy' }).click();
  await page.getByRole('button', { name: /^Hole gate/ }).click();
  await type(page, 'Gap at the hole', '80 mm');
  await page.getByRole('button', { name: 'Save drill' }).click();
  await expect(page.getByText('version 2', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: /^1 from/ }).click();
  await expect(page.getByText('version 1, not the latest')).toBeVisible();
  await page.getByRole('button', { name: /^Hole gate/ }).click();
  await expect(page.getByLabel('Gap at the hole', { exact: true })).toHaveValue('85 mm');
  await expect(page.getByText('version 1, not the latest')).toBeVisible();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download drill' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('twin-gates.drill.json');
  const file = info.outputPath('twin.json');
  await download.saveAs(file);
  await page.goto('/drills');
  await page.getByLabel('Drill file').setInputFiles(file);
  await expect(page.getByRole('heading', { level: 1, name: 'Twin gates 2' })).toBeVisible();
});

test('a broken file is refused with the place in it, and nothing is added', async ({ page }) => {
  await page.goto('/drills');
  const broken = (name: string, text: string) =>
    page
      .getByLabel('Drill file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await broken('moat.json', '{\n  "kind": "dirigo-drill",\n  "version": 1,,\n}');
  await expect(
    page.getByText(
      /moat\.json was not imported\. This file is not valid JSON: .* at line 3, column 16\./,
    ),
  ).toBeVisible();
  await broken('letter.json', '{\n  "kind": "letter"\n}');
  await expect(
    page.getByText(/letter\.json was not imported\. kind: .* \(line 2, column 11\)\./),
  ).toBeVisible();
  const schema = await (await page.request.get('/drill.schema.json')).json();
  expect(schema).toMatchObject({ title: 'Dirigo drill', type: 'object' });
  const good = await (await page.request.get('/drills/straight-gate/file')).text();
  await broken('gap.json', good.replace('"gap": 0.06,', '"gap": 0.01,'));
  await expect(
    page.getByText(/gap: The gap must be wider than the ball\. \(line \d+, column \d+\)\./),
  ).toBeVisible();
  await broken('far.json', good.replace('"distance": 0.4572,', '"distance": 3.5,'));
  await expect(page.getByText(/A gate at 11 ft 5 13\/16 in is beyond the hole/)).toBeVisible();
});

test('a ladder is made, a rung changed and played', async ({ page }) => {
  await addStudent(page, 'Rung Ladder');
  await page.goto('/drills/new');
  await type(page, 'Name', 'Ladder gate');
  await page.getByRole('tab', { name: 'Ladder' }).click();
  await page.getByRole('button', { name: 'Build ladder' }).click();
  const rungs = page.getByRole('region', { name: 'Ladder' }).getByRole('row');
  await expect(rungs).toHaveCount(7);
  await expect(rungs.nth(1)).toContainText('±1.52°');
  await expect(rungs.nth(6)).toContainText('±0.15°');
  await type(page, 'Rung 2, gap', '64 mm');
  await type(page, 'Rung 2, gap', '20 mm');
  await expect(page.getByText('A gap of 20 mm is too small')).toBeVisible();
  await type(page, 'Rung 2, gap', '64 mm');
  await page.getByRole('tab', { name: 'Description and rule' }).click();
  await type(page, 'Purpose', 'Closer and closer');
  await page.getByRole('combobox', { name: 'Done when' }).click();
  await page.getByRole('option', { name: 'perfect sets' }).click();
  await expect(
    page.getByText('4 sets of 5, every putt passed; a miss starts the set again at once.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Save drill' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Ladder gate' })).toBeVisible();

  await page.goto('/start');
  await page.getByRole('combobox', { name: 'Student' }).click();
  await page.getByRole('option', { name: 'Rung Ladder' }).click();
  await page.getByRole('combobox', { name: 'Drill' }).click();
  await page.getByRole('option', { name: 'Ladder gate' }).click();
  await page.getByRole('combobox', { name: 'Rung' }).click();
  await page.getByRole('option', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  await page.keyboard.press('Space');
  await expect(page.getByRole('status', { name: 'count' })).toHaveText('1of 5');
  await expect(page.getByText('set 1 of 4 · a miss starts the set again')).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();
  await finish(page);
  await expect(page.getByText(/rung 2, gap 64 mm/)).toBeVisible();
});
