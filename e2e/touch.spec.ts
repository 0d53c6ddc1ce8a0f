import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test } from './test';
import { addDrill, addStudent, expectCount, startSession, untilNextTouch } from './coach';

/** What the browser says of one touch: from the moment it was made to the next picture painted. */
interface TouchTiming {
  duration: number;
}

test('the time from touch to picture is measured, with a long session behind and no server at the end', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await addStudent(page, 'Tove Quick');
  await addDrill(page, 'Quick gate');
  await startSession(page, 'Tove Quick', 'Quick gate');
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) {
        if (entry.name === 'click' || entry.name === 'keydown') seen.push(entry.duration);
      }
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
  });
  const clear = page.getByRole('button', { name: 'Through the gate' });
  for (let putt = 0; putt < 20; putt++) {
    await clear.click();
    await untilNextTouch(page);
  }
  await context.setOffline(true);
  for (let putt = 0; putt < 20; putt++) {
    await clear.click();
    await untilNextTouch(page);
  }
  await expectCount(page, 40, 40);
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  // The browser tells only of touches that took 16 ms or more: the others are counted as so many.
  const durations = [...seen, ...Array<number>(Math.max(0, 40 - seen.length)).fill(16)].sort(
    (a, b) => a - b,
  );
  const timings: TouchTiming[] = durations.map((duration) => ({ duration }));
  mkdirSync('test-results', { recursive: true });
  writeFileSync('test-results/touch.json', JSON.stringify(timings));
  expect(timings.length).toBeGreaterThanOrEqual(40);
  await context.setOffline(false);
  await expect(page.getByText('all saved')).toBeVisible();
});
