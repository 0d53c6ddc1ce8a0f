import { createHash } from 'node:crypto';
import {
  addPutter,
  openDatabase,
  makeLink,
  makeTicket,
  seedDemo,
  setPassphrase,
  signIn,
  headCoach,
  type Database,
} from '../src/data';
import { call, ran, ask, builtActions, type BuiltAction } from './actions';
import { serve, type OwnServer } from './server';
import { expect, test } from './test';
import { ownPort } from './ports';

/**
 * Every server action that the build answers to, called by everyone who may not call it. What a browser would not let a page
 * choose (Host, Origin, forwarded headers) is chosen here.
 */
const PORT = ownPort('borders');
const HOST = `127.0.0.1:${PORT}`;
const OWN = { host: HOST, origin: `http://${HOST}` };
const HOME = 'putting.wharf.example';
const NOW = new Date('2026-11-02T09:00:00Z');
const SPARE = {
  ...{ name: 'Spare', headLength: 0.11, headDepth: 0.025, lieAngle: 1.2, length: null, loft: null },
  ...{ shape: null, mass: null, inertia: null, grip: '' },
};
const NOBODY = '00000000-0000-4000-8000-000000000000';

let server: OwnServer;
let database: Database;
let file: string;
/** What stands in the academy, to be named in calls. */
let known: Record<string, string>;
/** Cookies by who has them. */
let cookies: Record<'head' | 'coach' | 'assistant', string>;

test.beforeAll(async ({}, info) => {
  file = info.outputPath('borders.db');
  database = await openDatabase(file);
  await seedDemo(database, new Date());
  // Ten weeks of putts make pages slow, and say nothing of who may see them: the last two sessions of each stay.
  await database.sequelize.query(
    `DELETE FROM session WHERE (SELECT count(*) FROM session later
       WHERE later.studentId = session.studentId AND later.startedAt > session.startedAt) >= 2`,
  );
  const head = await headCoach(database);
  const { models } = database;
  const first = async (table: 'drill' | 'green' | 'reading' | 'plan' | 'programme') =>
    (await (models[table] as typeof models.drill).findOne())!.id;
  const coachOf = async (role: 'head' | 'coach' | 'assistant') =>
    (await models.coach.findOne({ where: { role } }))!.id;
  const homework = (await models.homework.findOne())!;
  const appointment = (await models.appointment.findOne())!;
  // One that nobody but the head coach sees, and one that both others see.
  const student = (await models.student.findOne({ where: { name: 'Yusra Malkey' } }))!.id;
  const shared = (await models.student.findOne({ where: { name: 'Oona Brandt' } }))!.id;
  const sessions = await models.session.findAll({ where: { studentId: student } });
  const done = sessions.find(({ finishedAt }) => finishedAt)!.id;
  const run = (await models.run.findOne({ where: { sessionId: done } }))!;
  const reading = (await models.reading.findOne())!;
  known = {
    head: head.coachId,
    coach: await coachOf('coach'),
    student,
    shared,
    done,
    run: run.id,
    homework: homework.id,
    pupil: homework.studentId,
    date: appointment.id,
    dated: appointment.studentId,
    drill: await first('drill'),
    green: reading.greenId,
    reading: reading.id,
    plan: await first('plan'),
    programme: (await models.programme.findOne({ where: { endedAt: null } }))!.id,
    change: (await models.event.findOne({ where: { tableName: 'student' } }))!.changeId,
    putter: await addPutter(database, head, student, SPARE),
    spare: await addPutter(database, head, student, SPARE),
    share: (await models.share.findOne())!.id,
    link: await makeLink(database, head, homework.studentId, NOW),
  };
  cookies = {} as typeof cookies;
  for (const role of ['head', 'coach', 'assistant'] as const) {
    const id = await coachOf(role);
    cookies[role] = `dirigo=${await signIn(database, id, 'link', 'A test', new Date())}`;
  }
  server = await serve(PORT, file, { env: { DIRIGO_OPEN: '0', DIRIGO_HOME: HOME } });
});

test.afterAll(async () => {
  await server?.kill();
  await database?.close();
});

/** What each action is called with: things of the head coach's, or something new. */
function argsOf({ name }: BuiltAction): unknown[] {
  const { student, drill, green, reading, plan, done, run, date, dated, programme, homework } =
    known;
  const { putter } = known;
  const values = {
    name: 'Someone new',
    hand: 'right',
    level: 'steady',
    seated: false,
    notes: '',
    school: 'arc',
    kit: [],
    putter: { headLength: '112 mm', headDepth: '24 mm', lieAngle: '70°' },
  };
  const frame = {
    name: 'An hour',
    minutes: 40,
    place: 'green',
    kit: [],
    goals: [],
    studentIds: [student],
  };
  const item = { id: NOBODY, ref: drill, rungs: {}, locked: false, why: '' };
  const answering = { id: 'none' };
  const giving = { studentId: student, coachId: known.coach, consent: 'Nobody at all' };
  const file = { id: NOBODY, name: 'putts.csv' };
  const mapping = {
    columns: [{ target: 'face', unit: 'deg', plus: 'right' }],
    ...{ decimal: '.', order: 'dmy', skip: 1, day: null, drillId: null, addStudents: false },
    studentId: student,
  };
  const table: Record<string, unknown[]> = {
    makeInstrument: [{ name: 'A sensor' }],
    endNow: [NOBODY],
    standHere: [{ id: NOBODY, sessionId: null }],
    besideNow: [null],
    linesLeft: [NOBODY],
    forgetLines: [NOBODY],
    tryStandIn: [{ sessionId: done, kind: 'putting' }],
    stopSimulated: [{ kind: 'putting' }],
    lookAtFile: [file],
    checkRows: [{ ...file, mapping }],
    beginImport: [{ ...file, mapping }],
    beginBook: [file],
    howFar: [NOBODY],
    stopImport: [NOBODY],
    takeBack: [NOBODY],
    takeList: [file],
    addToAcademy: [{ name: 'Somebody Else', role: 'head' }],
    hand: [giving],
    share: [giving],
    unshare: [known.share],
    linkForCoach: [known.head],
    setLeft: [{ id: known.head, left: true }],
    setRole: [{ id: known.coach, role: 'head' }],
    undo: [known.change],
    copyDrill: [drill],
    importDrill: ['{}'],
    keepDrill: [{ id: drill, values: { name: 'Mine' } }],
    knownStart: [student],
    setDrillArchived: [{ id: drill, archived: true }],
    setDrillShared: [{ id: drill, shared: true }],
    takeDrill: [{ key: 'straight-gate', fresh: true }],
    dropReading: [{ greenId: green, id: reading }],
    keepGreen: [{ id: green, values: { name: 'Mine', notes: '', spots: [] } }],
    keepReading: [
      {
        greenId: green,
        values: {
          how: 'numbers',
          at: NOW.toISOString(),
          spotId: '',
          note: '',
          greenSpeed: '10 ft',
          grade: '0 %',
          falls: 'left',
        },
      },
    ],
    setGreenArchived: [{ id: green, archived: true }],
    setGreenShared: [{ id: green, shared: true }],
    beginFirst: [
      { name: '', units: 'imperial', student: 'Once', hand: 'right', drill: 'straight-gate' },
    ],
    startAtHome: ['not-a-link', { id: homework, carpet: false }],
    keepCarpetAtHome: ['not-a-link', { height: 0.05, there: 0.7, back: 0.7 }],
    finishAtHome: ['not-a-link', done],
    moveAtHome: ['not-a-link', { sessionId: done, rung: 0 }],
    leaveWordAtHome: [
      'not-a-link',
      { homework, left: { feel: 3, text: 'as it was', photo: null } },
    ],
    answerHomework: [{ homework, text: 'well done' }],
    reopenAtHome: ['not-a-link', done],
    keepPlan: [{ id: plan, frame, items: [item] }],
    nextInPlan: [done],
    propose: [{ frame, kept: [] }],
    runPlan: [plan],
    startColdTest: [student],
    setPlanArchived: [{ id: plan, archived: true }],
    timeBlock: [{ frame, item }],
    closeProgramme: [programme],
    dropDate: [date],
    keepDate: [
      {
        id: date,
        studentId: dated,
        day: '2026-12-01',
        time: null,
        minutes: 40,
        kind: 'lesson',
        planId: null,
        note: 'changed',
      },
    ],
    keepProgramme: [
      {
        id: programme,
        studentId: student,
        from: '2026-12-01',
        weeks: 6,
        slots: [{ weekday: 1, time: null, minutes: 30, kind: 'lesson' }],
        aim: { skill: 'start', window: 0.02, by: '2026-12-31' },
        testEvery: 3,
        off: [{ from: '2026-12-24', until: '2026-12-27', why: '' }],
      },
    ],
    askReach: [{ studentId: student, skill: 'start', by: '2026-12-31' }],
    makeCalendarLink: [null],
    endCalendarLink: [null],
    setCorrection: [{ on: false }],
    keepSettings: [{}],
    backUpNow: [null],
    keepFolder: [{ folder: '' }],
    inspectBackup: [{ file: database.path, passphrase: null }],
    restoreFrom: [{ file: `${database.path}.none`, passphrase: null }],
    startEncrypting: [{ passphrase: 'four words that do', again: 'four words that do' }],
    stopEncrypting: [null],
    begin: [
      { players: [{ studentId: student, drillId: drill, rung: null }], green: null, cold: false },
    ],
    built: [{ runId: run, element: 'gate', measured: { gap: 0.07 } }],
    keepNote: [{ sessionId: done, note: 'changed' }],
    move: [{ sessionId: done, rung: 0 }],
    reopen: [done],
    rotate: [done],
    swap: [{ sessionId: done, drillId: drill, rung: null }],
    askNewPasskey: [null],
    askPasskey: [null],
    dropPassphrase: [null],
    keepPasskey: [answering],
    keepPassphrase: [{ passphrase: 'four words that do', again: 'four words that do' }],
    openOnPhone: ['/'],
    removePasskey: ['none'],
    signInByLink: ['not-a-link'],
    signInByPasskey: [answering],
    signInByPassphrase: [{ name: 'Tilda Vrane', passphrase: 'guess' }],
    signOut: [NOBODY],
    keepPutter: [
      {
        id: putter,
        studentId: student,
        values: {
          name: 'Own putter',
          headLength: '110 mm',
          headDepth: '25 mm',
          lieAngle: '70°',
          length: '',
          loft: '',
          shape: '',
          mass: '',
          inertia: '',
          grip: '',
        },
      },
    ],
    takeIntoUse: [putter],
    removePutter: [known.spare],
    keepStudent: [{ id: student, version: 1, values }],
    setArchived: [{ id: student, archived: true }],
    erase: [student],
    mentionsOf: [student],
    endHomeLink: [student],
    endWork: [homework],
    give: [
      {
        studentId: student,
        drillId: drill,
        rung: null,
        timesAWeek: 3,
        from: '2026-11-01',
        until: '2026-12-20',
        note: '',
      },
    ],
    makeHomeLink: [{ studentId: student, lastDay: null }],
  };
  const args = table[name];
  if (!args)
    throw new Error(`This test does not know the action ${name}: say what it is called with.`);
  return args;
}

/** The address of a page that can call an action. */
function pageOf({ pages }: BuiltAction): string {
  const { student, drill, green, plan, done, date, programme, link, homework } = known;
  const ids: [string, string | undefined][] = [
    ['/students/', student],
    ['/drills/', drill],
    ['/greens/', green],
    ['/programme/hours/', plan],
    ['/programme/dates/', date],
    ['/programme/', programme],
    ['/sessions/', done],
  ];
  const page =
    pages[0]!
      .replace(/^app/, '')
      .replace(/\/\([^)]*\)/, '')
      .replace(/\/page$/, '') || '/';
  const bare = page
    .replace('[token]', link!)
    .replace('[secret]', 'not-a-link')
    .replace('[homework]', homework!);
  const id = ids.find(([start]) => bare.startsWith(start))?.[1];
  return bare.replace('[id]', id ?? NOBODY);
}

/** All that is kept, as a sum; but for when a device was last seen and a link last opened. */
async function sumOf(only: (table: string, row: Record<string, unknown>) => boolean = () => true) {
  const hash = createHash('sha256');
  const tables = await database.sequelize.getQueryInterface().showAllTables();
  for (const table of tables.toSorted()) {
    const [rows] = await database.sequelize.query(`SELECT * FROM "${table}" ORDER BY 1`);
    for (const row of rows as Record<string, unknown>[]) {
      const { seenAt: _seen, openedAt: _opened, ...rest } = row;
      if (only(table, row)) hash.update(JSON.stringify([table, rest]));
    }
  }
  return hash.digest('hex');
}

test('a stranger runs nothing, whatever the name, the origin and the forwarded headers', async () => {
  test.setTimeout(300_000);
  const before = await sumOf();
  const hosts = [HOST, HOME, 'elsewhere.example'];
  const origins = [undefined, `http://${HOST}`, `https://${HOME}`, 'https://elsewhere.example'];
  const more: Record<string, string>[] = [
    {},
    { 'x-forwarded-for': '127.0.0.1', 'x-forwarded-host': HOST },
    { 'x-action-forwarded': '1' },
    { 'sec-fetch-site': 'same-origin' },
  ];
  const open = new Set(['askPasskey']);
  let calls = 0;
  for (const [index, action] of builtActions().entries()) {
    const args = argsOf(action);
    for (const [at, host] of hosts.entries()) {
      for (const [from, origin] of origins.entries()) {
        // Every name and origin with every action; what else is sent with it goes round, so that all meet all of it.
        const turn = (index + 3 * at + from) % more.length;
        const headers = host === 'elsewhere.example' ? {} : more[turn]!;
        const sent = { host, ...(origin && { origin }), ...headers };
        // From the page that has it; where the rest is in order, from pages that have not, too.
        const bare = turn === 0 && host !== 'elsewhere.example';
        const pages = bare ? [pageOf(action), `/home/${known.link}`, '/sign-in'] : [pageOf(action)];
        await Promise.all(
          pages.map(async (page) => {
            const answer = await call(server.url, page, action, args, sent);
            calls += 1;
            // What is forwarded means nothing here: no proxy is trusted.
            const mine = origin === `http://${host}`;
            const said = `${action.name} at ${page} by ${JSON.stringify(sent)}: ${answer.text}`;
            expect(ran(answer) && !(mine && open.has(action.name)), said).toBe(false);
          }),
        );
      }
    }
  }
  expect(calls).toBeGreaterThan(1000);
  expect(await sumOf()).toBe(before);
});

test('a student’s page holds no action of a coach’s, and a student runs none', async () => {
  for (const { name, file: written, pages } of builtActions()) {
    if (written.endsWith('home/actions.ts')) continue;
    expect(
      pages.filter((page) => page.includes('home/')),
      name,
    ).toEqual([]);
  }
  const before = await sumOf();
  for (const action of builtActions()) {
    if (action.file.endsWith('home/actions.ts')) continue;
    const answer = await call(server.url, `/home/${known.link}`, action, argsOf(action), OWN);
    expect(ran(answer), action.name).toBe(false);
  }
  // Their own actions reach their own homework only: not what another student has, nor what was putted with the coach.
  const token = known.link!;
  // How fast their own carpet is they may say: it names nobody.
  const theirs = builtActions().filter(
    ({ file, name }) => file.endsWith('home/actions.ts') && name !== 'keepCarpetAtHome',
  );
  for (const action of theirs) {
    const [, input] = argsOf(action);
    const other =
      action.name === 'startAtHome'
        ? { ...(input as object), id: NOBODY }
        : action.name === 'leaveWordAtHome'
          ? { ...(input as object), homework: NOBODY }
          : input;
    const answer = await call(server.url, pageOf(action), action, [token, other], OWN);
    expect(ran(answer), `${action.name}: ${answer.text}`).toBe(false);
  }
  expect(await sumOf()).toBe(before);
});

/** What anyone who is signed in may do with what is their own. */
const OF_ANYONE = [
  'besideNow',
  'askNewPasskey',
  'dropPassphrase',
  'keepPassphrase',
  'openOnPhone',
  'setCorrection',
  'stopSimulated',
];

/** What a coach may do who names things of another's: only what makes or changes something of their own. */
const OF_THEIR_OWN: Record<'coach' | 'assistant', string[]> = {
  coach: ['takeDrill', 'makeInstrument', 'makeCalendarLink', 'endCalendarLink', ...OF_ANYONE],
  assistant: OF_ANYONE,
};

for (const role of ['coach', 'assistant'] as const) {
  test(`a signed-in ${role} runs what is theirs, and nothing of another’s`, async () => {
    const others = (table: string, row: Record<string, unknown>) =>
      ['student', 'drill', 'green', 'plan', 'session', 'programme'].includes(table)
        ? row.coachId === known.head
        : ['run', 'putt', 'reading', 'appointment', 'homework', 'share', 'spot'].includes(table);
    const before = await sumOf(others);
    const done: string[] = [];
    // Whoever asks may ask a passkey to sign in, until it was asked too often.
    // A first session is one's own, and its run has no coach of its own to be told by.
    const asked = builtActions().filter(({ name }) => !['askPasskey', 'beginFirst'].includes(name));
    for (const action of asked) {
      // The page does not know the caller by its address: a home page of the head coach's student is none of theirs either.
      const headers = { ...OWN, cookie: cookies[role] };
      const answer = await call(server.url, pageOf(action), action, argsOf(action), headers);
      if (ran(answer)) done.push(action.name);
    }
    expect(done.toSorted()).toEqual(OF_THEIR_OWN[role].toSorted());
    expect(await sumOf(others)).toBe(before);
  });
}

test('every page and route of the head coach’s is shut to strangers, and what is another’s to other coaches', async () => {
  const { student, shared, drill, green, plan, done, date, programme } = known;
  const theirs = [
    `/students/${student}`,
    `/students/${student}/edit`,
    `/students/${student}/homework`,
    `/students/${student}/report`,
    `/students/${student}/everything`,
    `/drills/${drill}`,
    `/drills/${drill}/sheet`,
    `/drills/${drill}/sheet/pdf`,
    `/drills/${drill}/sheet/svg`,
    `/drills/${drill}/file`,
    `/greens/${green}`,
    `/greens/${green}/edit`,
    `/programme/${programme}`,
    `/programme/${programme}/edit`,
    `/programme/dates/${date}`,
    `/programme/hours/${plan}`,
    `/sessions/${done}/review`,
    '/records/academy',
    '/records/backups',
    '/records/backup',
  ];
  const get = (path: string, headers: Record<string, string> = {}) =>
    ask(new URL(path, server.url).href, { headers: { host: HOST, ...headers } });
  for (const path of [
    ...theirs,
    '/',
    '/students',
    '/drills',
    '/greens',
    '/programme',
    '/records',
    '/start',
    '/kept',
    '/records/files',
    '/records/export/file',
  ]) {
    const { status } = await get(path);
    expect([307, 401], `${path}: ${status}`).toContain(status);
  }
  // They are there: the head coach has them.
  for (const path of [
    `/drills/${drill}`,
    `/greens/${green}`,
    '/records/academy',
    '/records/backup',
  ]) {
    expect((await get(path, { cookie: cookies.head })).status, path).toBe(200);
  }
  for (const path of theirs) {
    const { status } = await get(path, { cookie: cookies.coach });
    expect([401, 404], `${path}: ${status}`).toContain(status);
  }
  for (const path of theirs.filter((one) => !/\/(drills|greens)\/[^/]+(\/sheet.*)?$/.test(one))) {
    const { status } = await get(path, { cookie: cookies.assistant });
    expect([401, 404], `${path}: ${status}`).toContain(status);
  }
  const page = await get(`/students/${shared}`, { cookie: cookies.coach });
  expect(page.status).toBe(200);
  expect(page.text).toContain('Oona Brandt');
  expect((await get('/students', { cookie: cookies.coach })).text).not.toContain('Yusra Malkey');
});

test('an assistant sees no note of a coach’s, and logs for whom is shared', async () => {
  const bram = (await database.models.student.findOne({ where: { name: 'Bram Quistle' } }))!;
  const note = bram.notes;
  expect(note.length).toBeGreaterThan(5);
  const get = async (who: 'head' | 'assistant') =>
    (
      await ask(new URL(`/students/${bram.id}`, server.url).href, {
        headers: { host: HOST, cookie: cookies[who] },
      })
    ).text;
  expect(await get('head')).toContain(note.slice(0, 20));
  expect(await get('assistant')).not.toContain(note.slice(0, 20));
  const begin = builtActions().find(({ name }) => name === 'begin')!;
  const players = [{ studentId: bram.id, drillId: known.drill, rung: null }];
  const args = [{ players, green: null, cold: false }];
  const answer = await call(server.url, '/start', begin, args, {
    ...OWN,
    cookie: cookies.assistant,
  });
  expect(ran(answer), answer.text).toBe(true);
});

test('copies and exports are not fetched by another site’s page, not even as a link', async () => {
  for (const path of [
    '/records/backup',
    '/kept',
    '/programme/calendar',
    `/drills/${known.drill}/file`,
  ]) {
    for (const [site, status] of [
      ['cross-site', 403],
      ['same-site', 403],
      ['none', 200],
      ['same-origin', 200],
    ] as const) {
      const headers = { host: HOST, cookie: cookies.head, 'sec-fetch-site': site };
      const answer = await ask(new URL(path, server.url).href, { headers });
      expect(answer.status, `${path} ${site}`).toBe(status);
    }
  }
});

test('a device that is signed out is out at once; one of a coach who leaves too', async () => {
  const secret = await signIn(database, known.coach!, 'link', 'Another', new Date());
  const cookie = `dirigo=${secret}`;
  const status = async () =>
    (await ask(new URL('/students', server.url).href, { headers: { host: HOST, cookie } })).status;
  expect(await status()).toBe(200);
  const out = builtActions().find(({ name }) => name === 'signOut')!;
  const answer = await call(server.url, '/records/sign-in', out, [null], { ...OWN, cookie });
  expect(ran(answer), answer.text).toBe(true);
  expect(await status()).toBe(307);
});

test('guessing is slowed down, and holds up neither a link nor a browser that was signed in once', async () => {
  const action = builtActions().find(({ name }) => name === 'signInByPassphrase')!;
  const tilda = { name: 'Tilda Vrane', passphrase: 'lock barge kettle nine' };
  await setPassphrase(
    database,
    { as: 'head', coachId: known.head!, deviceId: null },
    tilda.passphrase,
  );
  const slowed: number[] = [];
  for (let tries = 0; tries < 9; tries++) {
    const guess = [{ ...tilda, passphrase: `guess ${tries}` }];
    const { text } = await call(server.url, '/sign-in', action, guess, OWN);
    expect(text).not.toContain('"ok":true');
    if (/Too many wrong tries. Wait \d+ second/.test(text)) slowed.push(tries);
  }
  // The tests before have guessed as well.
  expect(slowed[0]).toBeLessThanOrEqual(5);
  expect(slowed.length).toBeGreaterThanOrEqual(3);
  // The coach knows it, and is told to wait from a strange browser only.
  const strange = await call(server.url, '/sign-in', action, [tilda], OWN);
  expect(strange.text).toContain('Too many wrong tries');
  const cookie = cookies.head!.replace('dirigo=', 'dirigo-known=');
  const own = await call(server.url, '/sign-in', action, [tilda], { ...OWN, cookie });
  expect(ran(own), own.text).toBe(true);
  const byLink = builtActions().find(({ name }) => name === 'signInByLink')!;
  const secret = await makeTicket(database, known.head!, {
    ...{ way: 'link', path: '/', until: new Date(Date.now() + 60_000) },
  });
  const signedIn = await call(server.url, '/sign-in/x', byLink, [secret], OWN);
  expect(ran(signedIn), signedIn.text).toBe(true);
});

test('what is too large is refused before it is read; what is no address of ours is not found', async () => {
  const big = 'x'.repeat(1024 * 1024 + 1);
  const url = new URL(`/api/runs/${NOBODY}/putts`, server.url).href;
  expect((await ask(url, { method: 'POST', headers: OWN, body: big })).status).toBe(413);
  for (const path of [
    '/drills/%00/file',
    '/drills/%00',
    '/students/%00',
    '/home/%00',
    '/drills/nope/sheet/pdf',
  ]) {
    const { status } = await ask(server.url + path, {
      headers: { host: HOST, cookie: cookies.head },
    });
    expect(status, path).toBe(404);
  }
});

test('the head coach runs them all: what is refused above is refused for who asks', async () => {
  test.slow();
  const refusedAnyway = new Set([
    // Called with what cannot be: no link, no passkey, no such drill, a session that is finished, the last head coach, a file
    // that this test holds open, no such instrument, file or work; or asked too often above.
    'startAtHome',
    'leaveWordAtHome',
    'keepCarpetAtHome',
    'moveAtHome',
    'reopenAtHome',
    'signInByLink',
    'signInByPasskey',
    'signInByPassphrase',
    'keepPasskey',
    'removePasskey',
    'signOut',
    'importDrill',
    'keepDrill',
    'setCorrection',
    'keepSettings',
    'keepPlan',
    'move',
    'swap',
    'nextInPlan',
    'built',
    'undo',
    'setLeft',
    'linkForCoach',
    'restoreFrom',
    'tryStandIn',
    'stopSimulated',
    'endNow',
    'standHere',
    'linesLeft',
    'forgetLines',
    'lookAtFile',
    'checkRows',
    'beginImport',
    'beginBook',
    'howFar',
    'stopImport',
    'takeBack',
    'takeList',
  ]);
  // What takes something away comes last, and after what it would take from.
  const last = [
    'closeProgramme',
    'dropDate',
    'dropReading',
    'keepGreen',
    'setArchived',
    'hand',
    'erase',
  ];
  const actions = builtActions()
    .filter(({ name }) => !refusedAnyway.has(name))
    .toSorted((a, b) => last.indexOf(a.name) - last.indexOf(b.name));
  const failed: string[] = [];
  for (const action of actions) {
    const headers = { ...OWN, cookie: cookies.head };
    const answer = await call(server.url, pageOf(action), action, argsOf(action), headers);
    if (!ran(answer)) failed.push(`${action.name}: ${answer.text.slice(-160)}`);
  }
  expect(failed).toEqual([]);
});
