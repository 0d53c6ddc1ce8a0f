import { chance, standInLine, standInStroke } from '../src/core/simulate';
import { expect, test } from './test';
import { addStudent, finish, startBuiltIn, untilNextTouch } from './coach';

test('an instrument beside the ball: twenty putts without a touch, seen at once, corrected by one', async ({
  page,
  baseURL,
}) => {
  await page.goto('/records/sign-in');
  await page.getByLabel('New instrument').fill('Rail on the mat');
  await page.getByRole('button', { name: 'Add instrument' }).click();
  const secret = (await page.getByRole('status').locator('code').first().textContent())!;
  expect(secret).toMatch(/^[\w-]{32}$/);

  await page.setViewportSize({ width: 390, height: 844 });
  await addStudent(page, 'Ida Sluicegate');
  await startBuiltIn(page, 'straight-gate', 'Ida Sluicegate');
  const session = page.url();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: /^Rail on the mat/ }).click();
  await expect(
    page.getByText('Rail on the mat now sends its putts to this session.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  const luck = chance(5);
  const lineOf = (index: number) =>
    JSON.stringify(
      standInLine('putting', standInStroke(5, index), { id: `${index}`, at: new Date() }, luck),
    );
  const send = async (body: string, key = secret) => {
    const answer = await fetch(`${baseURL}/api/instruments/putts`, {
      method: 'POST',
      headers: { authorization: `Bearer ${key}` },
      body,
    });
    const told = (await answer.text()).trim().split('\n');
    return { status: answer.status, told: told.map((one) => JSON.parse(one) as object) };
  };
  const measured = page.getByRole('region', { name: 'Last putt, as measured' });

  await test.step('putts come by themselves, and each is on the screen at once', async () => {
    const first = lineOf(0);
    expect(await send(first)).toMatchObject({ status: 200, told: [{ line: 1, state: 'taken' }] });
    await expect(measured).toContainText('Rail on the mat');
    await expect(measured).toContainText(/Face\s*\d\.\d°/);
    // Sent again, it changes nothing; what is cut off is told, and the rest goes on.
    const cut = lineOf(1).slice(0, 60);
    expect((await send(`${first}\n${cut}\n${lineOf(1)}`)).told).toMatchObject([
      { line: 1, state: 'doubled' },
      { line: 2, state: 'refused' },
      { line: 3, state: 'taken' },
    ]);
    for (let index = 2; index < 20; index++) await send(lineOf(index));
    await page.getByRole('button', { name: 'View or correct putts' }).click();
    await expect(page.getByRole('dialog').getByText('20 putts')).toBeVisible();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  });

  await test.step('one touch says what was really seen of the last', async () => {
    await untilNextTouch(page);
    await page.getByRole('button', { name: /^Left/ }).first().click();
    await expect(measured).toContainText(/Left/);
    await expect(measured).not.toContainText('(measured)');
    await expect(page.getByText('all saved')).toBeVisible();
    await page.getByRole('button', { name: 'View or correct putts' }).click();
    await expect(page.getByRole('dialog').getByText('20 putts')).toBeVisible();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  });

  await test.step('a stranger’s secret opens nothing, and no page of another site may send', async () => {
    expect((await send(lineOf(30), 'x'.repeat(32))).status).toBe(401);
    const foreign = await fetch(`${baseURL}/api/instruments/putts`, {
      method: 'POST',
      headers: { authorization: `Bearer ${secret}`, origin: 'http://elsewhere.example' },
      body: lineOf(31),
    });
    expect(foreign.status).toBe(403);
  });

  await test.step('what was measured stands on the rulers', async () => {
    await finish(page);
    await expect(page.getByRole('heading', { level: 1, name: /Ida Sluicegate/ })).toBeVisible();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('link', { name: 'Ida’s record' }).click();
    await page.getByText(/^\d+ more measurements$/).click();
    for (const name of ['Face', 'Path', 'Strike', 'Rise angle', 'Tempo']) {
      await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
    }
    await page.getByRole('link', { name: 'Tempo' }).click();
    await expect(page.getByRole('heading', { name: /^Tempo: the window/ })).toBeVisible();
  });

  await test.step('ended, it sends no more; what could not be read is told under Devices', async () => {
    await page.goto('/records/sign-in');
    const own = page.getByRole('listitem').filter({ hasText: 'Rail on the mat' });
    await expect(own).toContainText('1 reading could not be understood');
    await own.getByRole('button', { name: 'View readings' }).click();
    await expect(own).toContainText('cut off');
    await own.getByRole('button', { name: 'Disconnect Rail on the mat' }).click();
    await expect(page.getByText('Rail on the mat can no longer send putts')).toBeVisible();
    expect((await send(lineOf(40))).status).toBe(401);
  });
  expect(session).toContain('/sessions/');
});
