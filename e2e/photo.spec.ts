import { addStudent, finish, startBuiltIn } from './coach';
import { expect, test, type Page } from './test';

const SIZE = { width: 1200, height: 1600 };

/** A camera 1.4 m above the ground and 0.3 m behind the ball, tilted to look 0.2 m ahead of it: places in m to pixels. */
function seen([x, y]: readonly [number, number]): { x: number; y: number } {
  const tilt = Math.atan(0.5 / 1.4);
  const [ahead, up] = [y + 0.3, -1.4];
  const depth = ahead * Math.sin(tilt) - up * Math.cos(tilt);
  const down = -(ahead * Math.cos(tilt) + up * Math.sin(tilt));
  return { x: 600 + (1900 * x) / depth, y: 800 + (1900 * down) / depth };
}

const PAPER = [
  [-0.3, 0.02],
  [-0.3, 0.2994],
  [-0.0841, 0.2994],
  [-0.0841, 0.02],
] as const;
const GATE = [
  [-0.03065, 0.45],
  [0.03065, 0.45],
] as const;
/** The face, 2.5° closed for a right-handed player: turned to the left. */
const [COS, SIN] = [Math.cos(0.0436), Math.sin(0.0436)];
const FACE = [
  [-0.055 * COS, -0.03 - 0.055 * SIN],
  [0.055 * COS, -0.03 + 0.055 * SIN],
] as const;

/** The picture that camera takes, as a file. */
async function picture(page: Page): Promise<Buffer> {
  const url = await page.evaluate(
    ({ size, paper, dots, face }) => {
      const canvas = document.createElement('canvas');
      Object.assign(canvas, size);
      const pen = canvas.getContext('2d')!;
      pen.fillStyle = '#6d7f5f';
      pen.fillRect(0, 0, size.width, size.height);
      pen.fillStyle = '#f4f2ec';
      pen.beginPath();
      paper.forEach(({ x, y }) => pen.lineTo(x, y));
      pen.fill();
      pen.fillStyle = '#14120f';
      for (const { x, y } of dots) pen.fillRect(x - 4, y - 4, 8, 8);
      pen.lineWidth = 8;
      pen.beginPath();
      face.forEach(({ x, y }) => pen.lineTo(x, y));
      pen.stroke();
      return canvas.toDataURL('image/png');
    },
    {
      size: SIZE,
      paper: PAPER.map(seen),
      dots: [...GATE, [0, 0] as const, [0, 0.45] as const].map(seen),
      face: FACE.map(seen),
    },
  );
  return Buffer.from(url.split(',')[1]!, 'base64');
}

/** Touches places of the ground, each first in the picture and then exactly in the loupe. */
async function touch(page: Page, places: readonly (readonly [number, number])[]) {
  const photo = page.getByRole('application', { name: /^Photo/ });
  for (const place of places) {
    await photo.evaluate((element) => element.scrollIntoView({ block: 'start' }));
    const box = (await photo.boundingBox())!;
    const scale = box.width / SIZE.width;
    const at = seen(place);
    // A touch is told in whole pixels; the loupe shows the rest four times as large.
    const [x, y] = [Math.round(box.x + at.x * scale), Math.round(box.y + at.y * scale)];
    await page.mouse.click(x, y);
    const loupe = page.getByRole('button', { name: /^Mark .* here$/ });
    const lens = (await loupe.boundingBox())!;
    await page.mouse.click(
      Math.round(lens.x + lens.width / 2 + 4 * (box.x + at.x * scale - x)),
      Math.round(lens.y + lens.height / 2 + 4 * (box.y + at.y * scale - y)),
    );
    // Then once more, closer.
    await loupe.click();
    await expect(loupe).toBeHidden();
  }
}

test('a photo is measured: the aim is logged and the gap is kept, with how far off it may be', async ({
  page,
}) => {
  await addStudent(page, 'Wanda Lockgate');
  await startBuiltIn(page, 'aim-string', 'Wanda Lockgate');
  const buffer = await picture(page);
  const file = { name: 'above.png', mimeType: 'image/png', buffer };
  const dialog = page.getByRole('dialog', { name: 'Measure from a photo' });

  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Measure from a photo' }).click();
  await dialog
    .locator('input[type=file]')
    .setInputFiles({ ...file, name: 'notes.txt', buffer: Buffer.from('no') });
  await expect(dialog.getByRole('alert')).toHaveText(
    '“notes.txt” cannot be opened as a picture. Use a JPEG or PNG.',
  );
  await dialog.locator('input[type=file]').setInputFiles(file);
  await expect(dialog.getByText('paper: one end of a long side')).toBeVisible();
  // Two corners are touched twice the first time, later one: that tells how far off the touches are.
  await touch(page, [...PAPER, PAPER[0], PAPER[1], [0, 0], [0, 0.45], ...FACE]);
  // 2.5° left in truth.
  await expect(dialog.getByText(/Face direction: 2\.[2-8]° left of the line/)).toBeVisible();
  await expect(dialog.getByText(/80 % interval \d\.\d° to \d\.\d° left/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Log “Far left”' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Ball gate: Through' }).click();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('status', { name: 'count' })).toHaveText('1of 15 putts');

  await page.getByRole('button', { name: 'Tape list' }).click();
  const stands = page.getByRole('region', { name: 'As measured' });
  await stands.getByRole('button', { name: 'Measure from a photo' }).click();
  await dialog.locator('input[type=file]').setInputFiles(file);
  await touch(page, [...PAPER, PAPER[0], ...GATE]);
  await expect(dialog.getByText(/Gate gap: 6[0-2]\.\d mm/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Save photo with this run' }).click();
  await expect(dialog.getByRole('button', { name: 'Saved on this device' })).toBeDisabled();
  await dialog.getByRole('button', { name: /Use 6[0-2]\.\d mm as the gap/ }).click();
  await expect(stands).toContainText(/Gap from a photo: 6[0-2]\.\d mm, give or take [01]\.\d mm/);
  await stands.getByRole('button', { name: 'Score as measured' }).first().click();
  await expect(page.getByText('Putts are scored as measured.')).toBeVisible();
  await page.keyboard.press('Escape');
  await finish(page);
  const photos = page.getByRole('region', { name: 'Photos' });
  await expect(photos.getByRole('img', { name: /Photo: Gate gap: 6[0-2]\.\d mm/ })).toBeVisible();
  await photos.getByRole('button', { name: /Delete the photo/ }).click();
  await expect(photos).toBeHidden();
});

test('by keys alone a point is set, and a picture from the side is refused with what mends it', async ({
  page,
}) => {
  await addStudent(page, 'Ida Towline');
  await startBuiltIn(page, 'aim-string', 'Ida Towline');
  const buffer = await picture(page);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Measure from a photo' }).click();
  const dialog = page.getByRole('dialog', { name: 'Measure from a photo' });
  await dialog
    .locator('input[type=file]')
    .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer });
  const photo = dialog.getByRole('application', { name: /^Photo/ });
  await photo.focus();
  // Four corners almost on a line.
  for (let corner = 0; corner < 4; corner++) {
    for (let step = 0; step <= corner; step++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
  }
  await expect(dialog.getByRole('alert')).toContainText('almost in a straight line');
  await expect(dialog.getByRole('alert')).toContainText('Hold the camera higher');
  await dialog.getByRole('button', { name: 'Start over' }).click();
  await expect(dialog.getByText('(1 of 10)', { exact: false })).toBeVisible();
});
