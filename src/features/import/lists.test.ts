import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { calendarDates } from '@/core/planning';
import { guessMapping, listsStudents, studentsIn } from '@/core/table';
import { addAppointment, addStudent } from '@/data';
import { TEST_STUDENT, openTestBook, type TestBook } from '@/data/test-book';
import { calendarIn, listedDates, listedStudents } from './lists';
import { tableFile } from './table-file';

jest.mock('server-only', () => ({}));

const NOW = new Date('2026-05-04T09:00:00Z');
const calendar = (...events: string[]) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Wharf//EN\r\n${events.map((one) => `BEGIN:VEVENT\r\n${one}\r\nEND:VEVENT\r\n`).join('')}END:VCALENDAR\r\n`;

let book: TestBook;
beforeEach(async () => (book = await openTestBook()));
afterEach(() => book.close());

test('a list of students is told from a table of putts, and says what it takes for granted', async () => {
  const table =
    'Name,Hand,Level,Notes\nAma Lock,left,advanced,\nBo Quay,,,tall\nAma Lock,left,,\nCy,both,,\n,right,,\n';
  const rows = table
    .trim()
    .split('\n')
    .map((line) => line.split(','));
  expect(listsStudents(guessMapping(rows).mapping)).toBe(true);
  expect(
    listsStudents(
      guessMapping([
        ['name', 'face'],
        ['Ama', '0.4'],
      ]).mapping,
    ),
  ).toBe(false);
  await addStudent(book.database, book.principal, { ...TEST_STUDENT, name: 'bo  quay' });
  const path = join(book.folder, 'students.csv');
  await writeFile(path, table);
  const listed = await listedStudents(book.database, book.principal, await tableFile(path));
  expect(listed.fresh.map(({ words }) => words)).toEqual(['Ama Lock: left-handed, advanced']);
  expect(listed.doubled).toBe(2);
  expect(listed.refused).toEqual([
    { row: 5, reason: '“both” is not a hand: use right or left.' },
    { row: 6, reason: 'Enter a name.' },
  ]);
  expect(studentsIn([['Player'], ['Dee']])[0]).toMatchObject({
    assumed: ['right-handed', 'steady'],
  });
});

test('the dates of a calendar are told by the student they name, on the coach’s own clock, each time they come again', async () => {
  const ama = await addStudent(book.database, book.principal, {
    ...TEST_STUDENT,
    name: 'Ama Lock',
  });
  await addStudent(book.database, book.principal, { ...TEST_STUDENT, name: 'Bo Quay' });
  const text = calendar(
    'UID:1\r\nSUMMARY:Lesson\\, Ama Lock\r\nDTSTART:20260506T150000Z\r\nDTEND:20260506T154500Z',
    'UID:2\r\nSUMMARY:Bo: putting\r\nDTSTART:20260507T170000\r\nDURATION:PT1H\r\nRRULE:FREQ=WEEKLY;COUNT=3',
    'UID:3\r\nSUMMARY:Ama and Bo\r\nDTSTART;VALUE=DATE:20260508',
    'UID:4\r\nSUMMARY:Dentist\r\nDTSTART:20260509T080000Z\r\nDTEND:20260509T090000Z',
    'UID:5\r\nSUMMARY:Ama Lock\r\nDTSTART:20250101T080000Z\r\nDTEND:20250101T090000Z',
  );
  const dates = calendarDates(text, 'Europe/Berlin', NOW);
  // Three in the afternoon in Greenwich is five in Berlin in May; a time of no zone is on every wall the same.
  expect(dates.map(({ day, time, minutes }) => `${day} ${time} ${minutes}`)).toEqual([
    '2026-05-06 17:00 45',
    '2026-05-07 17:00 60',
    '2026-05-14 17:00 60',
    '2026-05-21 17:00 60',
    '2026-05-08 null 60',
    '2026-05-09 10:00 60',
  ]);
  const values = { studentId: ama, day: '2026-05-06', time: dates[0]!.time, minutes: 45, note: '' };
  const path = join(book.folder, 'diary.ics');
  await writeFile(path, text);
  const found = (await calendarIn(path))!;
  const first = await listedDates(book.database, book.principal, found, NOW);
  expect(first.fresh).toHaveLength(4);
  expect(first.refused.map(({ reason }) => reason)).toEqual([
    '2026-05-08: “Ama and Bo” matches several students.',
    '2026-05-09: “Dentist” matches no student here.',
  ]);
  const { time } = first.fresh[0]!.values;
  const kept = { ...values, time, kind: 'lesson', planId: null } as const;
  await addAppointment(book.database, book.principal, kept, 'Europe/London');
  expect(await listedDates(book.database, book.principal, found, NOW)).toMatchObject({
    doubled: 1,
  });
  expect(() => calendarDates('BEGIN:VCALENDAR\r\nBEGIN:VEV', 'Europe/Berlin', NOW)).toThrow(
    'cannot be read',
  );
  await writeFile(path, 'a,b\n1,2\n');
  expect(await calendarIn(path)).toBeNull();
});
