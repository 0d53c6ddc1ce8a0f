import { expect, test } from './test';
import { addDrill, addStudent, finish, logByKeys, startBuiltIn, startSession } from './coach';

test('from a logged session to a changed score, to the reason, to a drill for it, to a new run', async ({
  page,
}) => {
  await addStudent(page, 'Vigo Lantern');
  const student = new URL(page.url()).pathname;
  await addDrill(page, 'Lantern gate');

  await test.step('pushes through a gate: the start line is known, the rest says what it takes', async () => {
    await startSession(page, 'Vigo Lantern', 'Lantern gate');
    await logByKeys(page, 'CRRCRRCRCRRCRRCRCRRC');
    await expect(page.getByText('all saved')).toBeVisible();
    await finish(page);
    await page.getByRole('link', { name: 'Vigo’s record' }).click();
    await expect(page.getByText('1 session, 20 putts')).toBeVisible();
    await expect(
      page.getByRole('img', { name: /^Start line: 8 of 10 putts within ±\d\.\d\d°.*push/ }),
    ).toBeVisible();
    await expect(page.getByText('No data yet. This needs a box of four tees.')).toBeVisible();
    await expect(page.getByText(/^Starts putts \d\.\d° to the right \(a push\)/)).toBeVisible();
    const short = page.getByRole('region', { name: 'Summary' });
    await expect(short).toContainText(/Vigo starts putts \d\.\d° to the right \(a push\)/);
    await expect(short).toContainText(/Next: .+, \d+ minutes\./);
    await expect(page.getByText(/\d\d % sure, 20 putts/).first()).toBeVisible();
  });

  await test.step('what the score rests on is one touch away, down to the putts', async () => {
    await page.getByText('All sessions in numbers').click();
    await page.getByRole('link', { name: /, this session alone$/ }).click();
    await page.getByText('Putt by putt').click();
    await expect(page.getByRole('listitem').filter({ hasText: 'Right, tee B' })).toHaveCount(12);
    await page.goto(student);
  });

  await test.step('from the reason to a drill for it, and a new run', async () => {
    const misses = page.getByRole('region', { name: 'What the misses suggest' });
    await expect(misses.getByText(/^Avoid for now: \w+/)).toBeVisible();
    await misses.getByRole('link').first().click();
    await page.getByRole('button', { name: 'Start session' }).click();
    await page.getByRole('combobox', { name: 'Student', exact: true }).click();
    await page.getByRole('option', { name: 'Vigo Lantern' }).click();
    await page.getByRole('button', { name: 'Start session' }).click();
    await expect(page.getByText('Vigo Lantern').first()).toBeVisible();
    await page.goto(student);
  });

  await test.step('a session of another kind changes another ruler', async () => {
    await startBuiltIn(page, 'putter-gate-level', 'Vigo Lantern');
    await logByKeys(page, 'CCLCCLCLCCLCLCC');
    await expect(page.getByText('all saved')).toBeVisible();
    await finish(page);
    await page.goto(`${student}?skill=strike`);
    await expect(
      page.getByRole('img', { name: /^Strike: 8 of 10 putts within ±\d+\.\d mm/ }),
    ).toBeVisible();
    await expect(page.getByRole('region', { name: 'Details' })).toContainText('Strike');
    await page.getByText('All sessions in numbers').click();
    await expect(page.getByRole('row', { name: /alone 15/ })).toContainText(/mm/);
  });

  await test.step('a report for the student, without the private notes', async () => {
    await page.goto(`${student}/edit`);
    await page.getByLabel('Notes').fill('Sore knee, do not tell.');
    await page.getByRole('button', { name: /^Save (student|drill|putter)/ }).click();
    await expect(page.getByText('Sore knee, do not tell.')).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(
      page.getByRole('heading', { level: 1, name: 'Vigo Lantern: how you putt' }),
    ).toBeVisible();
    await expect(page.locator('body')).not.toContainText('knee');
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect((pdf.match(/\/Type \/Page\b/g) ?? []).length).toBeLessThanOrEqual(2);
    const file = await page.request.get(`${student}/report/pdf`);
    expect(file.headers()['content-type']).toBe('application/pdf');
    const own = (await file.body()).toString('latin1');
    expect(own.slice(0, 5)).toBe('%PDF-');
    expect((own.match(/\/Type \/Page\b/g) ?? []).length).toBeLessThanOrEqual(2);
  });
});
