import { addStudent, finish, startBuiltIn } from './coach';
import { expect, test } from './test';

test('a trial tells which of two putters to take up, and at its end which is better and how sure', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await addStudent(page, 'Perrin Lockgate');
  const student = new URL(page.url()).pathname;
  await startBuiltIn(page, 'trial-putters', 'Perrin Lockgate');
  const count = page.getByRole('status', { name: 'count' });
  const putts = { 'own putter': 0, 'the other': 0 };
  for (let putt = 0; putt < 80; putt++) {
    await expect(count).toContainText(`putt ${(putt % 5) + 1} of 5`);
    await expect(page.getByText(`set ${Math.floor(putt / 5) + 1} of 16`)).toBeVisible();
    const with_ = (await count.innerText()).includes('own putter') ? 'own putter' : 'the other';
    const so = putts[with_]++;
    // Nine in ten are clear with the one, one in two with the other, on either side.
    const clear = with_ === 'own putter' ? so % 10 !== 3 : so % 2 === 0;
    await page.keyboard.press(clear ? 'Space' : so % 4 === 1 ? 'ArrowLeft' : 'ArrowRight');
  }
  expect(putts).toEqual({ 'own putter': 40, 'the other': 40 });
  await expect(page.getByText('Completed in 80 putts.')).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();
  await finish(page);
  const trial = page.getByRole('region', { name: 'Trial' });
  await expect(trial).toContainText('Own putter compared with other putter (40 and 40 putts)');
  await expect(trial).toContainText(
    /Start line: own putter is better\. Its window is 0\.\d\d times the size of other putter’s \((over )?9\d % sure\)\./,
  );
  await page.goto(`${student}/set-up`);
  await expect(page.getByRole('region', { name: 'Trials' })).toContainText('own putter is better');
});

test('a beat is heard and seen while putts are logged, and stops when it is told to', async ({
  page,
}) => {
  await addStudent(page, 'Una Sculler');
  await startBuiltIn(page, 'straight-gate', 'Una Sculler');
  await page.getByRole('button', { name: 'More' }).click();
  for (let step = 0; step < 6; step++) {
    const faster = page.getByRole('button', { name: 'Faster' });
    if (await faster.isEnabled()) await faster.click();
  }
  await expect(page.getByRole('button', { name: 'Faster' })).toBeDisabled();
  await expect(page.getByText('100', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start metronome' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  const beat = page.getByRole('list', { name: 'Metronome' });
  // A flash is shorter than the time between two looks: the page itself notes what is lit.
  const seen = await beat.evaluate(
    (list) =>
      new Promise<string[]>((resolve) => {
        const lit: string[] = [];
        new MutationObserver(() => {
          const now = list.querySelector('[data-lit]')?.textContent;
          if (now && now !== lit.at(-1)) lit.push(now);
          if (lit.length === 6) resolve(lit);
        }).observe(list, { subtree: true, attributes: true });
      }),
  );
  const round = ['back', 'through', 'strike'];
  const from = round.indexOf(seen[0]!);
  expect(seen).toEqual(seen.map((_, index) => round[(from + index) % 3]));
  await page.keyboard.press('Space');
  await expect(page.getByRole('status', { name: 'count' })).toContainText('1');
  await page.getByRole('button', { name: 'Stop metronome' }).click();
  await expect(beat).toHaveCount(0);
});
