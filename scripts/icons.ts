import { mkdirSync, readFileSync } from 'node:fs';
import { chromium } from 'playwright';

/** Draws the icons that a phone's home screen asks for, from the one drawing. Run again when the drawing has changed. */
const FOLDER = 'public/icons';
const drawing = readFileSync('src/app/icon.svg', 'utf8');

/** Sizes, and how much of the side the drawing takes: a mask may cut away all but the middle four fifths. */
const ICONS = [
  { name: '180', size: 180, part: 1 },
  { name: '192', size: 192, part: 1 },
  { name: '512', size: 512, part: 1 },
  { name: 'maskable', size: 512, part: 0.7 },
];

async function main(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage();
  for (const { name, size, part } of ICONS) {
    const side = Math.round(size * part);
    await page.setViewportSize({ width: size, height: size });
    await page.setContent(
      `<body style="margin:0;background:#fbf9f2;display:grid;place-items:center;height:100vh">
         <div style="width:${side}px;height:${side}px">${drawing}</div></body>`,
    );
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  }
  await browser.close();
}

void main();
