import { expect, test, type Page } from './test';
import {
  addDrill,
  addStudent,
  expectCount,
  finish,
  logByKeys,
  setUp,
  startBuiltIn,
  startSession,
  touchPicture,
  untilNextTouch,
} from './coach';

const count = (page: Page) => page.getByRole('status', { name: 'count' });

test('a strike is touched on the face; a putt is corrected, noted, left out; the review shows where', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await addStudent(page, 'Mina Keel', 'Left-handed');
  await startBuiltIn(page, 'marked-face', 'Mina Keel');
  const face = /[Pp]utter.* face/;
  // A left-hander's heel is on the left of the face seen from its front.
  await expect(count(page)).toHaveText('0of 20 putts');
  await touchPicture(page, face, 0.5, 0.64);
  await touchPicture(page, face, 0.3, 0.64);
  await touchPicture(page, face, 0.62, 0.64);
  await expect(count(page)).toHaveText('3of 20 putts');
  await expect(page.getByText('1 passed')).toBeVisible();

  await page.getByRole('button', { name: 'View or correct putts' }).click();
  const putts = page.getByRole('dialog').getByRole('listitem');
  await expect(putts.nth(0)).toContainText(/Toe, \d+ mm towards the toe/);
  await expect(putts.nth(1)).toContainText(/Heel, \d+ mm towards the heel/);

  await test.step('an earlier one is corrected and noted', async () => {
    await putts.nth(1).getByRole('button').first().click();
    await putts.nth(1).getByRole('button', { name: 'Low', exact: true }).click();
    await putts.nth(1).getByLabel('Note').fill('the chalk was worn off');
    await page.getByRole('button', { name: 'Save correction' }).click();
    await expect(putts.nth(1)).toContainText('Low');
    await expect(putts.nth(1)).toContainText('“the chalk was worn off”');
  });
  await test.step('the last one is not counted', async () => {
    await putts.nth(0).getByRole('button').first().click();
    await page.getByRole('button', { name: 'Do not count this putt' }).click();
    await expect(putts.nth(0)).toContainText('not counted');
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(count(page)).toHaveText('2of 20 putts');
  });
  await test.step('pausing stops the clock, and a reload keeps the pause', async () => {
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('button', { name: 'Pause' }).click();
    await logByKeys(page, 'C');
    await expect(count(page)).toHaveText('2of 20 putts');
    await expect(page.getByText('all saved')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Paused. The clock is stopped.')).toBeVisible();
    await page.getByRole('button', { name: 'Resume' }).click();
    await logByKeys(page, 'C');
    await expect(count(page)).toHaveText('3of 20 putts');
    await expect(page.getByText('all saved')).toBeVisible();
  });

  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'One ball marker fewer' }).click();
  await page.getByRole('button', { name: 'Finish with 1 missing' }).click();
  await test.step('the review: on the face, what is new, what is missing, what next', async () => {
    await expect(page.getByText('2 of 3 passed, 2 middle, 1 low; longest streak 1.')).toBeVisible();
    await expect(page.getByRole('img', { name: 'Marks on the putter face: 1' })).toBeVisible();
    await expect(page.getByText('First time on this drill')).toBeVisible();
    await expect(page.getByText('Still out on the green: 1 ball marker.')).toBeVisible();
    await expect(page.getByText('Paused once.')).toBeVisible();
  });
  await test.step('the coach’s note is kept', async () => {
    await page.getByLabel('Private note').fill('Stands too near the ball.');
    await page.getByRole('button', { name: 'Save note' }).click();
    await expect(page.getByText('Note saved.')).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Private note')).toHaveValue('Stands too near the ball.');
  });
  await test.step('within the day a putt is corrected and the session opened again', async () => {
    await page.getByText('Putt by putt (view or correct)').click();
    const last = page.getByRole('listitem').filter({ hasText: 'Toe, ' });
    await last.getByRole('button').first().click();
    await page.getByRole('button', { name: 'Count this putt' }).click();
    await expect(page.getByText('2 of 4 passed, 2 middle')).toBeVisible();
    await page.getByRole('button', { name: 'Reopen' }).click();
    await expect(count(page)).toHaveText('4of 20 putts');
  });
});

test('two putt for points in rotation: the next is one touch away, and the winner is named', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await addStudent(page, 'Asta Pole');
  await addStudent(page, 'Birk Rope');
  await startBuiltIn(page, 'limit-line', 'Asta Pole', 'Birk Rope');
  const front = page.getByRole('navigation', { name: 'Students' }).locator('[aria-current=true]');
  await expect(front).toHaveText('Asta 0');
  const holed = async () => {
    await page.getByRole('group', { name: 'Hole' }).getByRole('button', { name: 'Holed' }).click();
    await untilNextTouch(page);
    await page.keyboard.press('Space');
  };
  await holed();
  await expect(front).toHaveText('Birk 0');
  await expect(page.getByRole('status', { name: 'standings' })).toHaveText('Asta leads by 2.');
  await page.getByRole('button', { name: 'Asta is next' }).click();
  await expect(front).toHaveText('Asta 2');
  await expect(count(page)).toHaveText('2of 11 points');
  for (let putt = 0; putt < 5; putt++) {
    await holed();
    if (putt < 4) await page.getByRole('button', { name: /^Asta \d+$/ }).click();
  }
  await expect(page.getByText('Asta wins: Asta 12, Birk 0.').first()).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();

  await test.step('a reload keeps both, and each has a session of their own', async () => {
    await page.reload();
    await expect(page.getByRole('button', { name: 'Asta 12' })).toBeVisible();
    await finish(page);
    await expect(page.getByRole('heading', { level: 1, name: /^Asta Pole/ })).toBeVisible();
    await expect(page.getByText(/Completed in 6 putts\./)).toBeVisible();
  });
});

test('two at stations of their own, each fitted, move on by one station', async ({ page }) => {
  await addStudent(page, 'Cato Barge');
  await addStudent(page, 'Dore Wharf', 'Left-handed');
  await addDrill(page, 'Station gate');
  await page.goto('/start');
  await page.getByRole('combobox', { name: 'Student', exact: true }).click();
  await page.getByRole('option', { name: 'Cato Barge' }).click();
  await page.getByRole('combobox', { name: 'Drill', exact: true }).click();
  await page.getByRole('option', { name: 'Station gate' }).click();
  await page.getByRole('button', { name: 'Add student to the rotation' }).click();
  await page.getByRole('combobox', { name: 'Student 2', exact: true }).click();
  await page.getByRole('option', { name: 'Dore Wharf' }).click();
  await page.getByRole('combobox', { name: 'Drill for student 2' }).click();
  await page.getByRole('option', { name: 'Mark on the face' }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  await logByKeys(page, 'CL');
  await expectCount(page, 1, 2);
  await page.getByRole('button', { name: 'Dore is next' }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(page.getByText('Mark on the face')).toBeVisible();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Move everyone on one station' }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(page.getByText('Dore Wharf · Station gate')).toBeVisible();
  await logByKeys(page, 'C');
  await expectCount(page, 1, 1);
});

test('a guess is taken first, and the actual is asked only after it', async ({ page }) => {
  await addStudent(page, 'Edda Mast');
  await startBuiltIn(page, 'guess-and-look', 'Edda Mast');
  const says = page.getByRole('status', { name: 'Guess' });
  await expect(says).toHaveText('Guess first: where did it go?');
  await page.keyboard.press('Space');
  await expect(says).toHaveText('Guessed in the zone. Now look.');
  await expect(count(page)).toHaveText('0of 12 putts');
  await page.keyboard.press('u');
  await expect(says).toHaveText('Guess first: where did it go?');
  await page.keyboard.press('ArrowLeft');
  await touchPicture(page, /Green around the hole/, 0.05, 0.5);
  await expect(count(page)).toHaveText('1of 12 putts');
  await expect(page.getByText('1 of 1 guessed right')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByText('1 of 2 guessed right')).toBeVisible();
  await page.getByRole('button', { name: 'View or correct putts' }).click();
  await expect(page.getByRole('listitem').first()).toContainText('In the zone; guessed long');
  await expect(page.getByRole('listitem').nth(1)).toContainText(/Short, \d+ .*; guessed short/);
});

test('a cold test comes first, then the drill; a gate that is too hard is said so, with a rung', async ({
  page,
}) => {
  await addStudent(page, 'Finn Keel');
  await page.goto('/drills/straight-gate');
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('combobox', { name: 'Student', exact: true }).click();
  await page.getByRole('option', { name: 'Finn Keel' }).click();
  await expect(page.getByText('No cold test yet')).toBeVisible();
  await page.getByRole('switch', { name: /^Cold test first/ }).click();
  await page.getByRole('combobox', { name: 'Rung' }).click();
  await page.getByRole('option', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  await logByKeys(page, 'CLLRLLRLLL');
  await expect(
    page.getByText('Cold test done: 1 of 10 through. Now start the drill.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Start drill' }).click();
  await expect(page.getByText('Straight gate, rung 3')).toBeVisible();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(count(page)).toHaveText('0of the 25 needed');
  await logByKeys(page, 'LLRCLLL');
  await expect(
    page.getByText(/Passed 1 of the last 7: too hard today \(\d\d % sure/),
  ).toBeVisible();
  await page.getByRole('button', { name: /Ready on rung 2, gap \d+ mm/ }).click();
  await expect(page.getByText('Straight gate, rung 2')).toBeVisible();
  await logByKeys(page, 'C');
  await expect(page.getByText('all saved')).toBeVisible();
  await finish(page);
  await expect(page.getByRole('region', { name: 'Straight gate' })).toHaveCount(2);
  await expect(page.getByText('Straight gate, cold test')).toBeVisible();
  await page.goto('/start');
  await page.getByRole('combobox', { name: 'Student', exact: true }).click();
  await page.getByRole('option', { name: 'Finn Keel' }).click();
  await expect(page.getByText(/Last cold test \d+ \w+/)).toBeVisible();
});

test('another drill in the middle of a session, and a tone that can be switched on', async ({
  page,
}) => {
  await addStudent(page, 'Gro Anchor');
  await addDrill(page, 'First gate');
  await addDrill(page, 'Second gate', '66 mm');
  await startSession(page, 'Gro Anchor', 'First gate');
  await logByKeys(page, 'CC');
  await page.getByRole('button', { name: 'More' }).click();
  const tone = page.getByRole('switch', { name: 'a tone' });
  await expect(tone).not.toBeChecked();
  await tone.click();
  await expect(tone).toBeChecked();
  await page.getByRole('combobox', { name: 'Drill' }).click();
  await page.getByRole('option', { name: 'Second gate' }).click();
  await page.getByRole('button', { name: 'Switch to Second gate' }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(page.getByText('Gro Anchor · Second gate')).toBeVisible();
  await logByKeys(page, 'L');
  await expectCount(page, 0, 1);
  await expect(page.getByText('all saved')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'More' }).click();
  await expect(page.getByRole('switch', { name: 'a tone' })).toBeChecked();
  await page.getByRole('button', { name: 'Close' }).click();
  await finish(page);
  await expect(page.getByText(/^2 of 2 through/)).toBeVisible();
  await expect(page.getByText(/^0 of 1 through/)).toBeVisible();
});
