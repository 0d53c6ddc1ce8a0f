import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT, FLAT, aimFor, type ReadingValues } from '@/core/green';
import { ballGateLayout, onReading } from '@/core/layout';
import {
  addDrill,
  addGreen,
  addReading,
  addStudent,
  archiveGreen,
  getGreen,
  getSession,
  latestRead,
  listGreens,
  removeReading,
  saveGreen,
  startSession,
  type CoachPrincipal,
  type Database,
} from '.';
import { TEST_STUDENT, openTestBook, stranger, type TestBook } from './test-book';

const NOW = new Date('2026-11-20T10:00:00Z');

let book: TestBook;
let database: Database;
let principal: CoachPrincipal;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal } = book);
});

afterEach(() => book.close());

const gate = { distance: 0.4572, gap: 0.06, shank: 0.005 };
const layout = ballGateLayout(DEFAULT_PUTT, gate);
const left2 = { grade: 0.02, falls: -Math.PI / 2 };
const reading = (day: number, rest: Partial<ReadingValues> = {}): ReadingValues => ({
  at: new Date(Date.UTC(2026, 9, day)),
  spotId: null,
  greenSpeed: 2.8,
  slope: null,
  rolls: null,
  note: '',
  ...rest,
});

async function addSlip() {
  const greenId = await addGreen(database, principal, {
    name: 'Slip green',
    notes: '',
    spots: [{ name: 'Top' }, { name: 'Foot' }],
  });
  const { spots } = await getGreen(database, principal, greenId);
  return { greenId, top: spots[0]!.id, foot: spots[1]!.id };
}

const student = () => addStudent(database, principal, TEST_STUDENT);

describe('greens', () => {
  it('keep their spots in order, rename and reorder them, and lose the readings of one left out', async () => {
    const { greenId, top, foot } = await addSlip();
    await addReading(database, principal, greenId, reading(1, { spotId: top, slope: left2 }));
    await addReading(database, principal, greenId, reading(2, { spotId: foot, slope: FLAT }));
    await saveGreen(database, principal, greenId, {
      name: 'Slip green, new',
      notes: 'By the crane',
      spots: [{ id: foot, name: 'The foot' }, { name: 'Middle' }],
    });
    const green = await getGreen(database, principal, greenId);
    expect(green).toMatchObject({ name: 'Slip green, new', notes: 'By the crane' });
    expect(green.spots.map(({ name }) => name)).toEqual(['The foot', 'Middle']);
    expect(green.readings.map(({ spotId }) => spotId)).toEqual([foot]);
  });

  it('give back a reading as it was taken, rolls too', async () => {
    const { greenId, top } = await addSlip();
    const rolls = { up: 2.4, down: 3.1, way: -1 };
    const values = reading(4, { spotId: top, slope: left2, rolls, note: 'dew' });
    const id = await addReading(database, principal, greenId, values);
    expect((await getGreen(database, principal, greenId)).readings).toEqual([{ id, ...values }]);
    await removeReading(database, principal, greenId, id);
    expect((await getGreen(database, principal, greenId)).readings).toEqual([]);
    await expect(removeReading(database, principal, greenId, id)).rejects.toThrow(
      'reading does not exist',
    );
  });

  it('refuse a spot of another green, a slope without a spot, and a green that is not the coach’s', async () => {
    const { greenId } = await addSlip();
    const other = await addSlip();
    await expect(
      addReading(database, principal, greenId, reading(1, { spotId: other.top })),
    ).rejects.toThrow('spot does not exist');
    await expect(
      addReading(database, principal, greenId, reading(1, { slope: left2 })),
    ).rejects.toThrow('A slope belongs to a spot');
    await expect(getGreen(database, stranger(), greenId)).rejects.toThrow('green does not exist');
    expect(await listGreens(database, stranger())).toEqual([]);
  });

  it('are put away and taken back', async () => {
    const { greenId } = await addSlip();
    await archiveGreen(database, principal, greenId, new Date());
    expect((await listGreens(database, principal))[0]!.archivedAt).not.toBeNull();
    await archiveGreen(database, principal, greenId, null);
    expect((await getGreen(database, principal, greenId)).archivedAt).toBeNull();
  });
});

describe('a session on a green', () => {
  it('is played on the latest reading, which stays with the run when the green is read again', async () => {
    const { greenId, top } = await addSlip();
    await addReading(database, principal, greenId, reading(1, { spotId: top, slope: left2 }));
    await addReading(database, principal, greenId, reading(7, { greenSpeed: 2.6 }));
    const drillId = await addDrill(
      database,
      principal,
      { name: 'Gate', layout, details: bareDetails() },
      NOW,
    );
    const studentId = await student();
    const id = await startSession(database, principal, {
      studentId,
      drillId,
      startedAt: new Date(),
      green: { greenId, spotId: top },
    });
    await addReading(database, principal, greenId, reading(9, { greenSpeed: 3.3 }));
    const played = (await getSession(database, principal, id)).runs[0]!.layout;
    expect(played.putt).toMatchObject({ greenSpeed: 2.6, slope: left2 });
    expect(played.read).toMatchObject({
      green: 'Slip green',
      spot: 'Top',
      at: '2026-10-07T00:00:00.000Z',
    });
    // The gate keeps its distance and gap and stands on the new start line.
    expect(played.elements).toEqual(layout.elements);
    expect(aimFor(played.putt).beside).toBeGreaterThan(0.1);
  });

  it('keeps the drill’s own slope on a spot whose slope was never read', async () => {
    const { greenId, foot } = await addSlip();
    await addReading(database, principal, greenId, reading(1));
    const { read, current } = await latestRead(database, principal, { greenId, spotId: foot });
    const sloped = { ...layout, putt: { ...layout.putt, slope: left2 } };
    expect(onReading(sloped, read, current).putt).toMatchObject({
      greenSpeed: 2.8,
      slope: left2,
    });
  });

  it('is refused on a green that was never read, or that cannot hold the pace', async () => {
    const { greenId, top } = await addSlip();
    const drillId = await addDrill(
      database,
      principal,
      { name: 'Gate', layout, details: bareDetails() },
      NOW,
    );
    const start = async () =>
      startSession(database, principal, {
        studentId: await student(),
        drillId,
        startedAt: new Date(),
        green: { greenId, spotId: top },
      });
    await expect(start()).rejects.toThrow('Slip green has no reading yet');
    await addReading(
      database,
      principal,
      greenId,
      reading(1, { spotId: top, greenSpeed: 4.9, slope: { grade: 0.08, falls: 0 } }),
    );
    await expect(start()).rejects.toThrow('The reading of Slip green does not allow');
  });
});
