import {
  addCoach,
  addDrill,
  addStudent,
  headCoach,
  makeTicket,
  openDatabase,
  saveCoach,
  shareStudent,
  type Database,
  type Role,
} from '../src/data';
import { bareDetails } from '../src/core/drill';
import { DEFAULT_PUTT } from '../src/core/green';
import { ballGateLayout } from '../src/core/layout';
import { COMMON_KIT, STANDARD_FITTING, coachSettings } from '../src/core/people';
import { expect, type Page } from './test';

const HOUR = 3_600_000;

/** A small academy in a file of a test's own: three coaches, two students of the head coach's, one drill. */
export interface AcademyBook {
  database: Database;
  coaches: Record<Role, string>;
  students: Record<'shared' | 'own', string>;
  drill: string;
  /** A link's path that signs a browser in as a coach, once. */
  linkFor(role: Role, path?: string): Promise<string>;
}

export async function academyBook(file: string): Promise<AcademyBook> {
  const database = await openDatabase(file);
  const principal = await headCoach(database);
  await saveCoach(database, principal, { name: 'Hedda Quay', settings: coachSettings.parse({}) });
  const coach = await addCoach(database, principal, { name: 'Corin Pile', role: 'coach' });
  const assistant = await addCoach(database, principal, { name: 'Asta Line', role: 'assistant' });
  const somebody = (name: string, notes: string) =>
    addStudent(database, principal, {
      name,
      hand: 'right',
      level: 'steady',
      seated: false,
      notes,
      school: 'arc',
      groups: '',
      kit: COMMON_KIT,
      putter: STANDARD_FITTING,
    });
  const shared = await somebody('Sander Locke', 'Bad wrist since May.');
  const own = await somebody('Olle Basin', 'Nobody else’s business.');
  const at = new Date();
  for (const coachId of [coach, assistant]) {
    const consent = 'Sander, at the lesson';
    await shareStudent(database, principal, { studentId: shared, coachId, consent }, at);
  }
  const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });
  const drill = await addDrill(
    database,
    principal,
    { name: 'Quay gate', layout, details: bareDetails() },
    at,
  );
  const coaches = { head: principal.coachId, coach, assistant };
  return {
    database,
    coaches,
    students: { shared, own },
    drill,
    linkFor: async (role, path = '/') => {
      const until = new Date(Date.now() + HOUR);
      const ticket = { way: 'link' as const, path, until };
      return `/sign-in/${await makeTicket(database, coaches[role], ticket)}`;
    },
  };
}

/** Opens a link that signs in, and touches its one button. */
export async function signInBy(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.getByRole('button', { name: 'Sign in on this device' }).click();
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/^Sign in/);
}
