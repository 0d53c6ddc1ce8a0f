import { bareDetails, libraryDrill } from '@/core/drill';
import { leftSchema, PHOTO_MOST } from '@/core/planning';
import {
  addDrill,
  addStudent,
  answerWord,
  eraseStudent,
  giveHomework,
  leaveWord,
  listWords,
  unanswered,
  type CoachPrincipal,
  type Database,
  type StudentPrincipal,
} from '.';
import { TEST_STUDENT, asStudent, openTestBook, stranger, type TestBook } from './test-book';

const at = (minute: number) => new Date(Date.UTC(2026, 2, 2, 10, minute));
const PHOTO = 'data:image/jpeg;base64,/9j/4AAQSkZJRg==';

let book: TestBook;
let database: Database;
let coach: CoachPrincipal;
let pupil: StudentPrincipal;
let studentId: string;
let homework: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal: coach } = book);
  studentId = await addStudent(database, coach, TEST_STUDENT);
  pupil = asStudent(coach, studentId);
  const { layout } = libraryDrill('straight-gate')!;
  const drillId = await addDrill(
    database,
    coach,
    { name: 'Gate', layout, details: bareDetails() },
    at(0),
  );
  homework = await giveHomework(
    database,
    coach,
    studentId,
    { drillId, rung: null, timesAWeek: 3, from: '2026-03-01', until: '2026-03-21', note: '' },
    at(0),
  );
});
afterEach(() => book.close());

const leave = (text: string, minute: number) =>
  leaveWord(database, pupil, homework, { feel: 2, text, photo: PHOTO }, at(minute));

describe('words with homework', () => {
  it('go from student to coach and back, in order, with how it felt and the picture', async () => {
    await leave('the gate is too close', 1);
    expect(await unanswered(database, coach)).toEqual([
      { studentId, feel: 2, text: 'the gate is too close', at: at(1) },
    ]);
    await answerWord(database, coach, homework, 'one rung back, then', at(2));
    expect(await unanswered(database, coach)).toEqual([]);
    for (const reader of [coach, pupil])
      expect(await listWords(database, reader, studentId)).toMatchObject([
        { coachId: null, feel: 2, text: 'the gate is too close', photo: PHOTO, at: at(1) },
        { coachId: coach.coachId, feel: null, text: 'one rung back, then', photo: null },
      ]);
    await leave('better', 3);
    expect(await unanswered(database, coach)).toHaveLength(1);
  });

  it('are read and written by those two alone', async () => {
    await leave('mine', 1);
    const other = await addStudent(database, coach, { ...TEST_STUDENT, name: 'Runa Lock' });
    const elsewhere = asStudent(coach, other);
    expect(await listWords(database, elsewhere, studentId)).toEqual([]);
    expect(await listWords(database, stranger(), studentId)).toEqual([]);
    expect(await unanswered(database, stranger())).toEqual([]);
    const left = { feel: 1, text: 'x', photo: null };
    await expect(leaveWord(database, elsewhere, homework, left, at(2))).rejects.toThrow(
      /homework does not exist/,
    );
    await expect(answerWord(database, stranger(), homework, 'x', at(2))).rejects.toThrow(
      /homework does not exist/,
    );
  });

  it('end at sixty, and go with the student', async () => {
    for (let i = 0; i < 60; i++) await leave(`${i}`, i);
    await expect(leave('one more', 60)).rejects.toThrow(/already 60 messages/);
    await eraseStudent(database, coach, studentId, at(61));
    expect(await database.models.homeworkWord.count()).toBe(0);
  });
});

describe('what may be left', () => {
  const wrong = (left: object) =>
    leftSchema.safeParse({ feel: null, text: '', photo: null, ...left }).error?.issues[0]?.message;

  it('is something, and no more than can be kept', () => {
    expect(wrong({ feel: 5 })).toBeUndefined();
    expect(wrong({ photo: PHOTO })).toBeUndefined();
    expect(wrong({})).toBe('Say how it felt, write a message or add a picture.');
    expect(wrong({ feel: 6 })).toBeDefined();
    expect(wrong({ text: 'x'.repeat(501) })).toMatch(/at most 500/);
    expect(wrong({ photo: 'data:text/html;base64,PHNjcmlwdD4=' })).toBe(
      'Only a picture can be sent here.',
    );
    expect(wrong({ photo: `data:image/jpeg;base64,${'A'.repeat(PHOTO_MOST)}` })).toMatch(
      /too large/,
    );
  });
});
