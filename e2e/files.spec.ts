import { readFile, writeFile } from 'node:fs/promises';
import { strFromU8, unzipSync } from 'fflate';
import { expect, test } from './test';
import { addStudent } from './coach';
import { ownPort } from './ports';
import { serve } from './server';

test('a spreadsheet of an old year comes in, stands on the rulers, goes out again, and is taken back', async ({
  page,
}, info) => {
  await addStudent(page, 'Tamsin Quay');
  await addStudent(page, 'Lock Keeper', 'Left-handed');
  const rows = Array.from({ length: 40 }, (_, i) => {
    const day = `${1 + (i % 4)}.10.2025`;
    const face = (0.6 + 0.8 * Math.sin(7 * i)).toFixed(1).replace('.', ',');
    const tempo = (2 + 0.1 * Math.cos(5 * i)).toFixed(2).replace('.', ',');
    return `Tamsin Quay;${day};${face};${tempo};${i}`;
  });
  const file = info.outputPath('old year.csv');
  await writeFile(
    file,
    `Player;Date;Face Angle (deg);Tempo;Charge\n${rows.join('\n')}\nLock Keeper;1.10.2025;1,0;2;9\nStranger;1.10.2025;1,0;2;9\nTamsin Quay;1.10.2025;wide;2;9\n`,
  );

  await test.step('what the columns are is guessed, doubted where nothing says it, and mended', async () => {
    await page.goto('/records/files');
    await page.getByLabel('File to import').setInputFiles(file);
    await expect(page.getByRole('heading', { name: 'old year.csv' })).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'Meaning of Charge' })).toHaveText(
      /ignore this column/,
    );
    await expect(page.getByText('It is not clear which side is positive')).toBeVisible();
    const first = page.getByRole('region', { name: 'First rows as putts' }).getByRole('listitem');
    await expect(first.first()).toContainText('Tamsin Quay · 1 October 2025 · face 0.6° open');
    await page.getByRole('combobox', { name: 'Positive side of Face Angle (deg)' }).click();
    await page.getByRole('option', { name: '+ closed' }).click();
    await expect(first.first()).toContainText('face 0.6° closed');
  });

  await test.step('what would come in is told with what would not, and why', async () => {
    await page.getByRole('button', { name: 'Check the whole file' }).click();
    const told = page.getByRole('region', { name: 'Import preview' });
    await expect(told).toContainText('41 new putts of 43 rows, by 2 students in 5 sessions');
    await told.getByText('2 rows cannot be imported').click();
    await expect(told).toContainText('“Stranger” is not a student here.');
    await expect(told).toContainText('Row 44: Face: “wide” is not a number');
    await page.getByRole('button', { name: 'Import 41 putts' }).click();
    await expect(page.getByText('Imported 41 putts in 5 sessions.')).toBeVisible();
  });

  await test.step('it stands on the rulers, closed as it was said to be', async () => {
    await page.goto('/students');
    await page.getByRole('link', { name: 'Tamsin Quay' }).first().click();
    await expect(page.getByRole('heading', { level: 1, name: 'Tamsin Quay' })).toBeVisible();
    await expect(page.getByRole('img', { name: /^Face: .*closed/ })).toBeVisible();
    await page.getByText('Tempo', { exact: true }).first().click();
    await expect(page.getByRole('img', { name: /^Tempo: / })).toBeVisible();
  });

  await test.step('rulers and trends go out as drawings that stand by themselves', async () => {
    const drawingOf = async (name: RegExp) => {
      const coming = page.waitForEvent('download');
      await page.getByRole('button', { name }).click();
      const saved = await coming;
      return {
        name: saved.suggestedFilename(),
        svg: await readFile((await saved.path())!, 'utf8'),
      };
    };
    const rulers = await drawingOf(/^Download rulers/);
    expect(rulers.name).toBe('Rulers of Tamsin Quay.svg');
    for (const said of ['Face', 'Start line', 'Tempo', 'intended', '8 of 10 putts within']) {
      expect(rulers.svg).toContain(said);
    }
    // The looks of the page are written into it, and all of it is one drawing.
    expect(rulers.svg).not.toMatch(/class=|var\(/);
    expect(rulers.svg.match(/<svg/g)!.length).toBeGreaterThan(2);
    const trend = await drawingOf(/^Download SVG$/);
    expect(trend.svg).toMatch(/^<svg [^>]*xmlns/);
    expect(trend.svg.match(/<circle/g)).toHaveLength(4);
  });

  await test.step('the same file again has nothing new; its columns are remembered', async () => {
    await page.goto('/records/files');
    await page.getByLabel('File to import').setInputFiles(file);
    await expect(page.getByText('as they were for the last file like this')).toBeVisible();
    await page.getByRole('button', { name: 'Check the whole file' }).click();
    await expect(page.getByText('41 rows are already here')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Import 0 putts' })).toBeDisabled();
  });

  await test.step('it goes out as tables that say what is in them', async () => {
    await page.goto('/records/files');
    await page.getByRole('combobox', { name: 'Students' }).click();
    await page.getByRole('option', { name: 'Tamsin Quay' }).click();
    await page.getByRole('radio', { name: 'JSON lines' }).click();
    const lines = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download export' }).click();
    const written = unzipSync(await readFile((await (await lines).path())!));
    expect(strFromU8(written['putts.jsonl']!).trim().split('\n')).toHaveLength(40);
    await page.getByRole('radio', { name: 'tables (CSV)' }).click();
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download export' }).click();
    const files = unzipSync(await readFile((await (await coming).path())!));
    const putts = strFromU8(files['putts.csv']!).trim().split('\n');
    expect(putts).toHaveLength(41);
    const { resources } = JSON.parse(strFromU8(files['datapackage.json']!)) as {
      resources: { name: string; schema: { fields: { name: string; unit?: string }[] } }[];
    };
    const { fields } = resources.find(({ name }) => name === 'putts')!.schema;
    expect(putts[0]).toBe(fields.map(({ name }) => name).join(','));
    expect(fields.find(({ name }) => name === 'face_deg')?.unit).toBe('deg');
    expect(Object.keys(files)).not.toContain('book.jsonl');
  });

  await test.step('all of it is taken back as one', async () => {
    const past = page.getByRole('region', { name: 'Imported files' });
    const own = past.getByRole('listitem').filter({ hasText: 'old year.csv' });
    await own.getByRole('button', { name: 'Undo import' }).click();
    await own.getByRole('button', { name: 'Yes, remove 41' }).click();
    await expect(own).toContainText('undone');
    await page.goto('/students');
    await page.getByRole('link', { name: 'Tamsin Quay' }).first().click();
    await expect(page.getByText('No data on Tamsin’s putting yet')).toBeVisible();
  });
});

test('what is no table is refused in a sentence, and a large one before it is read', async ({
  page,
}, info) => {
  await page.goto('/records/files');
  const refused = async (name: string, content: string | Buffer, words: RegExp) => {
    const file = info.outputPath(name);
    await writeFile(file, content);
    await page.getByLabel('File to import').setInputFiles(file);
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
  };
  await refused('empty.csv', '', /empty/);
  await refused('book.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 20, 0]), /ZIP archive or a workbook/);
  await refused('wide.csv', `${'a,'.repeat(999)}a\n1\n`, /use at most 200/);
  await refused('huge.csv', Buffer.alloc(65 * 1024 * 1024, 'a,b\n'), /at most 64 MB/);
});

test('a list of students and a calendar come in, and are taken back as one', async ({ page }) => {
  const drop = (name: string, text: string) =>
    page
      .getByLabel('File to import')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  const told = page.getByRole('region', { name: 'Import preview' });
  await page.goto('/records/files');
  await drop(
    'students.csv',
    'Name,Hand,Level\nIvo Bollard,left,advanced\nPia Towpath,,\nNo One,both,\n',
  );
  await expect(told).toContainText('2 new students');
  await expect(told).toContainText(
    'Pia Towpath: right-handed, steady (assumed: right-handed and steady)',
  );
  await told.getByText('1 row cannot be imported').click();
  await expect(told).toContainText('“both” is not a hand');
  await told.getByRole('button', { name: 'Import 2 students' }).click();
  await expect(page.getByText('2 students imported.')).toBeVisible();

  await page.getByRole('button', { name: 'Choose another file' }).click();
  const day = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  await drop(
    'diary.ics',
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:Ivo Bollard lesson\r\nDTSTART:${day}T160000\r\nDURATION:PT45M\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`,
  );
  await expect(told).toContainText('16:00: Ivo Bollard, 45 min');
  await told.getByRole('button', { name: 'Import 1 appointment' }).click();
  await expect(page.getByText('1 appointment imported.')).toBeVisible();
  await page.goto('/programme');
  await expect(page.getByText('Ivo Bollard').first()).toBeVisible();
});

test('a whole book goes from one Dirigo into another that is empty, seen before it comes in', async ({
  page,
}, info) => {
  const name = `Moss Basin ${info.retry}`;
  await addStudent(page, name);
  const old = info.outputPath('two putts.csv');
  await writeFile(old, `Player;Date;Face (deg)\n${name};1.10.2025;0,4\n${name};2.10.2025;0,6\n`);
  await page.goto('/records/files');
  await page.getByLabel('File to import').setInputFiles(old);
  await page.getByRole('button', { name: 'Check the whole file' }).click();
  await page.getByRole('button', { name: 'Import 2 putts' }).click();
  await expect(page.getByText('Imported 2 putts in 2 sessions.')).toBeVisible();
  await page.reload();
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download export' }).click();
  const zip = info.outputPath('all of it.zip');
  await (await coming).saveAs(zip);
  const said = strFromU8(unzipSync(await readFile(zip))['book.jsonl']!);
  const rows = (table: string) => said.split(`"table":"${table}"`).length - 1;
  const whole = `Full export: ${rows('student')} student`;

  await test.step('where there are students already it is told, and stays out', async () => {
    await page.getByLabel('File to import').setInputFiles(zip);
    await expect(page.getByText(whole)).toBeVisible();
    await expect(
      page.getByRole('alert').filter({ hasText: 'only be imported into an empty Dirigo' }),
    ).toBeVisible();
    await expect(page.getByRole('button', { name: 'Import full export' })).toHaveCount(0);
  });

  const server = await serve(ownPort('a whole book'), info.outputPath('other', 'empty.db'));
  try {
    await test.step('an empty one offers it on its first page, and takes all of it in', async () => {
      await page.goto(server.url);
      await page.getByRole('link', { name: 'Import a file' }).click();
      await page.getByLabel('File to import').setInputFiles(zip);
      await expect(page.getByText(whole)).toBeVisible();
      await page.getByRole('button', { name: 'Import full export' }).click();
      await expect(page.getByText(/^Imported [\d,]+ putts in [\d,]+ sessions?\./)).toBeVisible();
    });

    await test.step('who putts there is who putted here, and all of it goes out again as it came', async () => {
      await page.goto(`${server.url}/students`);
      await page.getByRole('link', { name }).first().click();
      await expect(page.getByText('2 putts').first()).toBeVisible();
      await page.goto(`${server.url}/records/files`);
      const again = page.waitForEvent('download');
      await page.getByRole('link', { name: 'Download export' }).click();
      const out = unzipSync(await readFile((await (await again).path())!))['book.jsonl']!;
      expect(strFromU8(out).split('\n').toSorted()).toEqual(said.split('\n').toSorted());
    });
  } finally {
    await server.kill();
  }
});
