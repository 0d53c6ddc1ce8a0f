import { parseArgs } from 'node:util';
import { addHours } from 'date-fns';
import { Problem, headCoach, listCoaches, makeTicket, openDatabase } from '@/data';

/** How long a link from the machine itself waits, h. */
const HOURS = 1;

/**
 * Prints a link that signs one browser in, once: for the first start, and for a coach who has lost every other way. Whoever can
 * run it can read the database file anyway.
 */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { address: { type: 'string', default: 'http://127.0.0.1:3000' } },
  });
  const database = await openDatabase(process.env.DIRIGO_DB ?? 'data/dirigo.db');
  const asked = positionals.join(' ').toLowerCase();
  const coaches = (await listCoaches(database)).filter(({ archivedAt }) => !archivedAt);
  const id = asked
    ? coaches.find(({ name }) => name.toLowerCase() === asked)?.id
    : (await headCoach(database)).coachId;
  if (!id) {
    const names = coaches.map(({ name }) => name || 'a coach without a name').join(', ');
    throw new Problem(
      'not-found',
      `There is no coach called ${positionals.join(' ')}. The coaches are: ${names}.`,
    );
  }
  const until = addHours(new Date(), HOURS);
  const secret = await makeTicket(database, id, { way: 'link', path: '/', until });
  const origin = process.env.DIRIGO_ORIGIN ?? values.address;
  const who = coaches.find((coach) => coach.id === id)?.name;
  console.log(
    `\nOpen this link within the hour to sign in one browser${who ? ` as ${who}` : ''}. It works once:`,
  );
  console.log(`${origin}/sign-in/${secret}\n`);
  await database.close();
}

main().catch((error: unknown) => {
  console.error(error instanceof Problem ? `\n✗ ${error.message}\n` : error);
  process.exitCode = 1;
});
