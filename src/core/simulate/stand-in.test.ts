import { quantityOf, readLine, shownUnit } from '@/core/quantity';
import { DEGREE } from '@/core/units';
import { STAND_INS, chance, standInLine, standInStroke, type StandIn } from '.';

const KINDS = Object.keys(STAND_INS) as StandIn[];
const AT = new Date('2026-05-03T10:00:00Z');

test('every stand-in sends lines that are taken, of the quantities it says it reads', () => {
  for (const kind of KINDS) {
    for (let index = 0; index < 50; index++) {
      const line = standInLine(
        kind,
        standInStroke(3, index),
        { id: `${index}`, at: AT },
        chance(index),
      );
      const read = readLine(JSON.stringify(line), kind);
      expect(read).toMatchObject({ ok: true, id: `${index}`, at: AT });
      if (read.ok)
        expect(Object.keys(read.values).sort()).toEqual([...STAND_INS[kind].reads].sort());
    }
  }
});

test('several with one seed read the same stroke; another number or seed is another', () => {
  expect(standInStroke(3, 5)).toEqual(standInStroke(3, 5));
  expect(standInStroke(3, 5).face).not.toBe(standInStroke(3, 6).face);
  expect(standInStroke(3, 5).face).not.toBe(standInStroke(4, 5).face);
});

test('a reading is the stroke’s, off by the error that the line says, in four of six cases within one of it', () => {
  const luck = chance(9);
  let [within, all] = [0, 0];
  for (let index = 0; index < 400; index++) {
    const stroke = standInStroke(1, index);
    const { values } = standInLine('putting', stroke, { id: 'x', at: AT }, luck);
    for (const [id, { value, error }] of Object.entries(values)) {
      const { si } = shownUnit(quantityOf(id).dimension);
      within += Number(Math.abs(value - stroke[id]! / si) < error!);
      all += 1;
    }
  }
  // The normal has 68.3 % within one deviation; values are rounded to four places.
  expect(within / all).toBeGreaterThan(0.66);
  expect(within / all).toBeLessThan(0.71);
});

test('one that stands turned reads the line turned, and nothing else', () => {
  const stroke = standInStroke(1, 0);
  const line = (turned: number) =>
    standInLine('putting', stroke, { id: 'x', at: AT, turned }, chance(1)).values;
  const [straight, turned] = [line(0), line(2 * DEGREE)];
  for (const id of STAND_INS.putting.reads) {
    const off = turned[id]!.value - straight[id]!.value;
    expect([id, Math.round(off * 1000) / 1000]).toEqual([
      id,
      ['start', 'face', 'path'].includes(id) ? 2 : 0,
    ]);
  }
});

test('pushes come with a bowed wrist, as the player of the stand-ins has it', () => {
  const strokes = Array.from({ length: 500 }, (_, index) => standInStroke(2, index));
  const mean = (some: typeof strokes) =>
    some.reduce((sum, { wristBend }) => sum + wristBend!, 0) / some.length;
  const pushes = strokes.filter(({ start }) => start! > 0.3 * DEGREE);
  const pulls = strokes.filter(({ start }) => start! < 0.3 * DEGREE);
  expect(mean(pushes) - mean(pulls)).toBeGreaterThan(1 * DEGREE);
});
