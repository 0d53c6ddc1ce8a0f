import { academyBook, signInBy, type AcademyBook } from './academy-book';
import { type } from './coach';
import { serve, type OwnServer } from './server';
import { expect, test } from './test';
import { lookAt } from './every-place';
import { ownPort } from './ports';

const PORT = ownPort('signing in');
let book: AcademyBook;
let server: OwnServer;

test.beforeEach(async ({}, info) => {
  book = await academyBook(info.outputPath('signing-in.db'));
  server = await serve(PORT, info.outputPath('signing-in.db'), { env: { DIRIGO_OPEN: '0' } });
});

test.afterEach(async () => {
  await server.kill();
  await book.database.close();
});

test('a link signs a browser in once; a passphrase does it again; a device is signed out', async ({
  browser,
}) => {
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();
  await page.goto('/students');
  await expect(page.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();
  const link = await book.linkFor('head', '/students');
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Sign in as Hedda Quay?' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign in on this device' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Students' })).toBeVisible();
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'This link no longer works' })).toBeVisible();

  await page.goto('/records/sign-in');
  await expect(page.getByText('· this device')).toBeVisible();
  await page.getByLabel('Passphrase', { exact: true }).fill('short');
  await page.getByLabel('Repeat passphrase').fill('otherwise');
  await page.getByRole('button', { name: 'Save passphrase' }).click();
  await expect(page.getByText(/at least 12 characters\. Four unrelated words/)).toBeVisible();
  await page.getByLabel('Passphrase', { exact: true }).fill('lock barge kettle nine');
  await page.getByRole('button', { name: 'Save passphrase' }).click();
  await expect(page.getByText('The two passphrases do not match.')).toBeVisible();
  await page.getByLabel('Repeat passphrase').fill('lock barge kettle nine');
  await page.getByRole('button', { name: 'Save passphrase' }).click();
  await expect(page.getByRole('heading', { name: 'Your passphrase' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out this device' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();

  await page.getByLabel('Your name').fill('hedda quay');
  await page.getByLabel('Passphrase').fill('lock barge kettle ten');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText('This name and passphrase do not match.')).toBeVisible();
  await page.getByLabel('Passphrase').fill('lock barge kettle nine');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  // A page of elsewhere is not gone to after signing in.
  await page.goto('/sign-in?to=//elsewhere.example/');
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();

  await test.step('what is kept of secrets is their hashes', async () => {
    const { models } = book.database;
    const coach = (await models.coach.findByPk(book.coaches.head))!;
    expect(coach.passphrase).toMatch(/^\$argon2id\$/);
    const cookie = (await context.cookies()).find(({ name }) => name === 'dirigo')!;
    expect([cookie.httpOnly, cookie.sameSite]).toEqual([true, 'Lax']);
    const kept = JSON.stringify([
      await models.device.findAll({ raw: true }),
      await models.ticket.findAll({ raw: true }),
      await models.event.findAll({ raw: true }),
    ]);
    for (const secret of [cookie.value, link.split('/').at(-1)!, 'lock barge']) {
      expect(kept).not.toContain(secret);
    }
  });
  await context.close();
});

test('a passkey is made, and signs in', async ({ browser }) => {
  const base = server.url.replace('127.0.0.1', 'localhost');
  const context = await browser.newContext({ baseURL: base });
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await signInBy(page, await book.linkFor('coach'));
  await page.goto('/records/sign-in');
  await page.getByRole('button', { name: 'Create passkey on this device' }).click();
  await expect(page.getByText('Passkey saved.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out this device' }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await expect(page.getByText('Corin Pile')).toBeVisible();
  await page.goto('/records/sign-in');
  await expect(page.getByText(/last used/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await page.getByRole('button', { name: 'Sign out this device' }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByText('This passkey is not known here.')).toBeVisible();
  await context.close();
});

test('three coaches side by side see theirs, share, hand over, and are told of each other', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const { shared, own } = book.students;
  const enter = async (role: 'head' | 'coach' | 'assistant') => {
    const context = await browser.newContext({ baseURL: server.url });
    const page = await context.newPage();
    await signInBy(page, await book.linkFor(role));
    return page;
  };
  const [head, coach, assistant] = [
    await enter('head'),
    await enter('coach'),
    await enter('assistant'),
  ];
  await test.step('each sees only theirs', async () => {
    for (const [page, hidden] of [
      [head, []],
      [coach, ['Olle Basin']],
      [assistant, ['Olle Basin']],
    ] as const) {
      await page.goto('/students');
      await expect(page.getByRole('link', { name: 'Sander Locke' })).toBeVisible();
      for (const name of hidden) await expect(page.getByText(name)).toHaveCount(0);
    }
    await assistant.goto(`/students/${shared}`);
    await expect(assistant.getByText('Bad wrist')).toHaveCount(0);
    await expect(assistant.getByRole('link', { name: 'Edit' })).toHaveCount(0);
    await coach.goto(`/students/${shared}`);
    await expect(coach.getByText('Hedda Quay’s student')).toBeVisible();
  });

  await test.step('two who edit the same student are told, and no note is emptied', async () => {
    await coach.goto(`/students/${shared}/edit`);
    await head.goto(`/students/${shared}/edit`);
    await type(head, 'Private notes (only coaches see them)', 'Bad wrist since May. Tape it.');
    await head.getByRole('button', { name: 'Save' }).click();
    await expect(head.getByRole('heading', { level: 1, name: 'Sander Locke' })).toBeVisible();
    await coach.getByRole('radio', { name: 'Advanced' }).click();
    await coach.getByRole('button', { name: 'Save' }).click();
    const note = coach.getByRole('alert', { name: 'Changed by someone else' });
    await expect(note).toContainText('Hedda Quay changed this student');
    await expect(note).toContainText('Updated here, because only they changed it: Notes');
    await expect(coach.getByLabel('Private notes (only coaches see them)')).toHaveValue(
      'Bad wrist since May. Tape it.',
    );
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.waitForURL(`**/students/${shared}`);
    await expect(coach.getByText('Tape it.')).toBeVisible();
    await expect(coach.getByText(/right-handed · advanced/)).toBeVisible();
  });

  await test.step('who changed what is told, and taken back', async () => {
    await head.goto(`/students/${shared}`);
    const history = head.getByRole('group').filter({ hasText: 'Change history' });
    await history.getByText('Change history').click();
    const latest = history.getByRole('listitem').first();
    await expect(latest).toContainText('Corin Pile');
    await expect(latest).toContainText('level: steady → advanced');
    await latest.getByRole('button', { name: /^Undo/ }).click();
    await expect(head.getByText(/^right-handed · steady/)).toBeVisible();
  });

  await test.step('an assistant logs', async () => {
    await assistant.goto(`/start?student=${shared}&drill=${book.drill}`);
    await assistant.getByRole('button', { name: 'Start session' }).click();
    await assistant.getByRole('button', { name: 'Start putting' }).click();
    await assistant.keyboard.press('Space');
    await expect(assistant.getByText('all saved')).toBeVisible();
    await head.goto(`/students/${shared}`);
    await expect(head.getByText(/1 putts|1 putt/).first()).toBeVisible();
  });

  await test.step('a student is handed over, with consent noted', async () => {
    await head.goto(`/students/${own}`);
    await head.getByRole('button', { name: 'Share' }).click();
    await head.getByRole('combobox', { name: 'Coach' }).click();
    await head.getByRole('option', { name: /Corin Pile/ }).click();
    await head.getByRole('button', { name: 'Hand Olle over' }).click();
    await expect(head.getByText(/Say who agreed and how/)).toBeVisible();
    await head.getByLabel('Consent given by').fill('Olle, by telephone');
    await head.getByRole('button', { name: 'Hand Olle over' }).click();
    await expect(head.getByText('Olle is now Corin Pile’s student.')).toBeVisible();
    await coach.goto('/students');
    await expect(coach.getByRole('link', { name: 'Olle Basin' })).toBeVisible();
  });

  await test.step('a drill is shared, and kept as one’s own', async () => {
    await coach.goto('/drills');
    await expect(coach.getByText('Quay gate')).toHaveCount(0);
    await head.goto(`/drills/${book.drill}`);
    await head.getByRole('button', { name: 'Share' }).click();
    await expect(head.getByText('Quay gate is shared with all coaches here.')).toBeVisible();
    await coach.goto(`/drills/${book.drill}`);
    await coach.getByRole('button', { name: 'Save my copy' }).click();
    await expect(coach.getByRole('button', { name: /^Save (student|drill|green)/ })).toBeVisible();
    expect(coach.url()).not.toContain(book.drill);
  });

  await test.step('a coach who leaves is out at once', async () => {
    await head.goto('/records/academy');
    await head.getByRole('button', { name: 'Mark as left: Corin Pile' }).click();
    await expect(
      head.getByText('Corin Pile has left the academy and is signed out.'),
    ).toBeVisible();
    await coach.goto('/students');
    await expect(coach.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();
  });

  await test.step('the new screens pass the accessibility rules', async () => {
    const all = ['/records/academy', '/records/sign-in', '/records', `/students/${shared}`];
    await lookAt(head, all, [{ theme: 'light', width: 1280, by: 'rules' }]);
    await lookAt(coach, ['/sign-in'], [{ theme: 'light', width: 1280, by: 'rules' }]);
  });
});
