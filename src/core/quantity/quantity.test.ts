import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_PUTT, aimFor } from '@/core/green';
import { HANDS } from '@/core/people';
import { DEGREE } from '@/core/units';
import {
  UNITS,
  addQuantity,
  completed,
  isQuantity,
  latents,
  measuredProblem,
  quantities,
  quantityOf,
  readLine,
  showAmount,
  showInterval,
  showValue,
  unitNamed,
} from '.';

describe('every quantity', () => {
  it.each(quantities().map((one) => [one.id, one] as const))(
    '%s says all that is asked of it',
    (id, one) => {
      expect(id).toMatch(/^[a-zA-Z]+$/);
      expect(one.about).toMatch(/^[A-Z].*\.$/);
      expect(one.good.window).toBeGreaterThan(0);
      expect(one.good.source.length).toBeGreaterThan(10);
      for (const hand of HANDS) {
        const { left, right } = one.ends(hand);
        expect(left).not.toBe(right);
      }
      // What is intended, and what a slip of the usual size makes of it, can be.
      const middle = one.middle?.(DEFAULT_PUTT) ?? 0;
      expect(measuredProblem({ [id]: { value: middle, by: 'x' } })).toBeNull();
      expect(one.instrument.error).toBeLessThan(one.sane);
      if (one.prior) {
        expect(one.prior.slip).toBeGreaterThan(one.prior.middleSpread);
        expect(one.sane).toBeGreaterThan(one.prior.slip);
      } else expect(quantities().some(({ startShare }) => startShare)).toBe(true);
      expect(one.columns.every((name) => name === name.toLowerCase())).toBe(true);
    },
  );

  it('has columns of its own: no heading is two quantities', () => {
    const all = quantities().flatMap(({ columns }) => columns);
    expect(new Set(all).size).toBe(all.length);
  });

  it('shares the start direction with others, wholly', () => {
    for (const share of [0.8, 0.83, 0.92, 1]) {
      const sum = quantities().reduce((all, one) => all + (one.startShare?.(share) ?? 0), 0);
      expect(sum).toBeCloseTo(1, 12);
    }
  });
});

it('the head moves slower than the ball it sends rolling, by impulse and what sliding leaves', () => {
  // A head of 350 g, a ball of 46 g, restitution 0.8: 1.8 / (1 + 46/350) = 1.591; 5/7 of it rolls.
  const rolling = (1.8 / (1 + 45.93 / 350)) * (5 / 7);
  const head = quantityOf('headSpeed').middle!(DEFAULT_PUTT);
  expect(aimFor(DEFAULT_PUTT).startSpeed / head).toBeCloseTo(rolling, 2);
});

it('is added and taken away while the program runs; a name that is taken is refused', () => {
  const before = latents().length;
  expect(() => addQuantity(quantityOf('face'))).toThrow('already');
  const away = addQuantity({ ...quantityOf('rise'), id: 'madeUp' });
  expect(isQuantity('madeUp')).toBe(true);
  expect(latents()).toHaveLength(before + 1);
  away();
  expect(() => quantityOf('madeUp')).toThrow('“madeUp” is not a quantity: use one of start, face');
});

describe('an instrument that stands turned', () => {
  it('is as far off for all that it reads by the same turn', () => {
    const turned = quantities().filter(({ instrument }) => instrument.standsAs);
    expect(turned.map(({ id }) => id)).toEqual(['start', 'path', 'aim']);
    for (const { dimension, instrument } of turned) {
      const other = quantityOf(instrument.standsAs!);
      expect([dimension, instrument.mount]).toEqual([other.dimension, other.instrument.mount]);
    }
  });
});

describe('a unit', () => {
  it('is found by every way in which it is written', () => {
    expect(unitNamed('angle', ' Degrees ')?.si).toBeCloseTo(Math.PI / 180, 15);
    expect(unitNamed('speed', 'mph')?.si).toBeCloseTo(0.44704, 10);
    expect(unitNamed('length', '"')?.si).toBeCloseTo(0.0254, 10);
    expect(unitNamed('angle', 'mm')).toBeNull();
    for (const units of Object.values(UNITS)) {
      expect(units[0].si).toBe(1);
      for (const one of units)
        expect(units.find(({ names }) => names.includes(one.id.toLowerCase()))?.si).toBe(one.si);
    }
  });
});

describe('words', () => {
  it('have the unit, the side of the hand, and no side where none is meant', () => {
    expect(showAmount('strike', -0.0062)).toBe('6.2 mm');
    expect(showInterval('leadFoot', { low: 0.02, high: 0.05 })).toBe('2 to 5 %');
    expect(showValue('face', -0.4 * DEGREE, 'right')).toBe('0.4° closed');
    expect(showValue('face', -0.4 * DEGREE, 'left')).toBe('0.4° open');
    // A head right of the ball meets it on a right-hander's heel.
    expect(showValue('strike', 0.003, 'right')).toBe('3.0 mm heel');
    expect(showValue('face', 0, 'right')).toBe('0.0°');
    expect(showValue('rise', -1 * DEGREE, 'right')).toBe('−1.0°');
    expect(showValue('tempo', 2.1, 'left')).toBe('2.10');
  });
});

describe('a line of an instrument', () => {
  const line = (values: object, more: object = {}) => JSON.stringify({ id: '1', values, ...more });

  it('is read in SI, whatever the unit, with its error', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...quantities()),
        between(-0.9, 0.9),
        fc.nat({ max: 3 }),
        ({ id, dimension, sane }, share, which) => {
          const unit = UNITS[dimension][which % UNITS[dimension].length]!;
          const value = share * sane;
          const read = readLine(
            line({
              [id]: { value: value / unit.si, unit: unit.id, error: (0.01 * sane) / unit.si },
            }),
            'rail',
          );
          expect(read.ok && read.values[id]!.value).toBeCloseTo(value, 9);
          expect(read.ok && read.values[id]!.error).toBeCloseTo(0.01 * sane, 9);
        },
      ),
    );
  });

  it('that is none is told, and never thrown', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        const read = readLine(text, 'rail');
        expect(read.ok).toBe(false);
        if (!read.ok) expect(read.message.length).toBeGreaterThan(5);
      }),
    );
    const told = (text: string) => {
      const read = readLine(text, 'rail');
      return read.ok ? 'taken' : read.message;
    };
    expect(told(line({ face: { value: 1, unit: 'deg', error: -1 } }))).toContain('error');
    expect(told(line({ face: { value: 1, unit: 'deg' } }, { player: 'Ama' }))).toContain('player');
    expect(told(line({ face: { value: 1, unit: 'deg' } }, { at: 'noon' }))).toContain('at');
    expect(told(line({ face: { value: 1, unit: 'deg', error: 1e9 } }))).toContain('error');
  });

  it('has what follows from its values: a tempo from two times, unless it says one itself', () => {
    const by = 'rail';
    const times = { timeBack: { value: 0.7, by }, timeThrough: { value: 0.35, by } };
    expect(completed(times).tempo).toEqual({ value: 2, by });
    expect(completed({ ...times, tempo: { value: 1.9, by } }).tempo!.value).toBe(1.9);
    expect(completed({ timeBack: { value: 0.7, by } }).tempo).toBeUndefined();
    expect(completed({ ...times, timeThrough: { value: 0, by } }).tempo).toBeUndefined();
  });
});
