import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { UNITS, quantities, quantityOf, siUnit } from '@/core/quantity';
import { DEGREE } from '@/core/units';
import {
  guessMapping,
  readNumber,
  readRow,
  readTime,
  readWhen,
  plusOptions,
  usualPlus,
  type Mapping,
} from '.';

const targets = ({ columns }: Mapping) => columns.map(({ target }) => target);
const units = ({ columns }: Mapping) => columns.map(({ unit }) => unit);

describe('a file’s columns', () => {
  it('are told by heading, unit in brackets and decimal sign', () => {
    const { mapping } = guessMapping([
      [
        'Player',
        'Date',
        'Face Angle (deg)',
        'Club path [°]',
        'Impact spot',
        'Attack angle',
        'Battery',
      ],
      ['Ama Lock', '03.10.2025 14:05', '0,4', '-1,2', '3,5 mm', '2,1', '80'],
      ['Ama Lock', '13.10.2025 14:06', '-0,2', '0,7', '-1,0 mm', '1,8', '79'],
    ]);
    expect(targets(mapping)).toEqual([
      'student',
      'when',
      'face',
      'path',
      'strike',
      'rise',
      'ignore',
    ]);
    expect(units(mapping).slice(2, 6)).toEqual(['deg', 'deg', 'mm', 'deg']);
    expect(mapping).toMatchObject({ decimal: ',', order: 'dmy', skip: 1 });
  });

  it('are told where the units have a row of their own', () => {
    const { mapping } = guessMapping([
      ['name', 'face', 'head speed', 'lead foot'],
      ['', 'rad', 'mph', '%'],
      ['Bo', '0.007', '3.4', '57'],
    ]);
    expect(units(mapping).slice(1)).toEqual(['rad', 'mph', '%']);
    expect(mapping.skip).toBe(2);
  });

  it('are told in a file that this program wrote itself, the SI column before its double', () => {
    for (const { id, dimension } of quantities()) {
      const ending =
        { '1': 'share', '%': 'percent', 'm/s': 'm_s' }[siUnit(dimension).id] ??
        siUnit(dimension).id;
      const { mapping } = guessMapping([
        [`${id}_${ending}`, `${id}_error_${ending}`],
        ['0.5', '0.1'],
      ]);
      expect([id, ...targets(mapping)]).toEqual([id, id, 'ignore']);
      expect(mapping.columns[0]!.unit).toBe(siUnit(dimension).id);
    }
  });

  it('whose unit nothing says are guessed by size, and doubted', () => {
    const { mapping, doubts } = guessMapping([
      ['strike', 'lead foot'],
      ['0.004', '0.56'],
      ['-0.006', '0.61'],
    ]);
    expect(units(mapping)).toEqual(['m', '1']);
    expect(doubts).toHaveLength(3);
    expect(doubts[0]).toContain('“strike”');
    expect(doubts[2]).toContain('which side is positive in “strike”');
  });

  it('of words are no quantity, whatever they are called', () => {
    const { mapping } = guessMapping([
      ['face', 'path'],
      ['open', 'in-to-out'],
    ]);
    expect(targets(mapping)).toEqual(['ignore', 'ignore']);
  });

  it('may be a thousand, of any text, and nothing breaks', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ unit: 'binary', maxLength: 20 }), { maxLength: 40 }), {
          maxLength: 6,
        }),
        (rows) => {
          const { mapping } = guessMapping(rows);
          expect(mapping.columns).toHaveLength(Math.max(0, ...rows.map((row) => row.length)));
          for (const row of rows) readRow(row, mapping, 'file');
        },
      ),
    );
  });
});

describe('a number in a cell', () => {
  it('is what was written, in every unit of its dimension', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...quantities()),
        between(-500, 500),
        fc.constantFrom('.' as const, ',' as const),
        ({ dimension }, value, decimal) => {
          for (const unit of UNITS[dimension]) {
            const written = `${value.toFixed(3).replace('.', decimal)} ${unit.id}`;
            const read = readNumber(written, decimal, dimension);
            // A bare "1" as a unit would be another number.
            if (unit.id === '1') continue;
            expect(read?.value).toBeCloseTo(value, 3);
            expect(read?.unit?.si).toBe(unit.si);
          }
        },
      ),
    );
    expect(readNumber('1 234,5', ',', 'time')?.value).toBe(1234.5);
    expect(readNumber('1.234,5', ',', 'time')?.value).toBe(1234.5);
    expect(readNumber('−0.4°', '.', 'angle')?.value).toBe(-0.4);
  });

  it('is refused where it is a formula, words, or of another dimension', () => {
    for (const cell of ['=1+1', 'open', '', '-', '3 mm', 'NaN', '1e999', '0x10']) {
      expect([cell, readNumber(cell, '.', 'angle')]).toEqual([cell, null]);
    }
  });
});

describe('a date in a cell', () => {
  it('is read in its order, with the time behind it', () => {
    expect(readWhen('2025-10-03T14:05:30', 'dmy')).toEqual({
      year: 2025,
      month: 10,
      day: 3,
      seconds: 50730,
    });
    expect(readWhen('3/10/2025', 'dmy')).toEqual({ year: 2025, month: 10, day: 3, seconds: null });
    expect(readWhen('3/10/2025 2:05 pm', 'mdy')).toEqual({
      year: 2025,
      month: 3,
      day: 10,
      seconds: 50700,
    });
    expect(readWhen('03.10.25', 'dmy')!.year).toBe(2025);
  });
  it('that is none is refused', () => {
    for (const cell of ['31.02.2025', 'yesterday', '2025-13-01', '', '99/99/99']) {
      expect([cell, readWhen(cell, 'dmy')]).toEqual([cell, null]);
    }
    expect([readTime('24:00'), readTime('12:60'), readTime('7:05')]).toEqual([null, null, 25500]);
  });
});

describe('the side that is plus', () => {
  const read = (heading: string, plus: string, hand: 'right' | 'left') => {
    const { mapping } = guessMapping([
      [heading, 'x'],
      ['1', 'y'],
    ]);
    const columns = mapping.columns.map((one, i) => (i === 0 ? { ...one, plus } : one));
    const row = readRow(['1', ''], { ...mapping, columns }, 'file', () => hand);
    return row.ok && Math.sign(Object.values(row.row.values)[0]!.value);
  };
  it('is a side of the line, or a word of the player’s own hand', () => {
    // Open is right of the line for a right-hander, left for a left-hander.
    expect(
      ['right', 'left', 'open', 'closed'].map((plus) => read('face (deg)', plus, 'right')),
    ).toEqual([1, -1, 1, -1]);
    expect(
      ['right', 'left', 'open', 'closed'].map((plus) => read('face (deg)', plus, 'left')),
    ).toEqual([1, -1, -1, 1]);
    // Met on the toe, a right-hander's head was left of the ball.
    expect(['toe', 'heel'].map((plus) => read('strike (mm)', plus, 'right'))).toEqual([-1, 1]);
    expect(['toe', 'heel'].map((plus) => read('strike (mm)', plus, 'left'))).toEqual([1, -1]);
    expect(read('lead foot (%)', 'left', 'left')).toBe(-1);
  });
  it('is the right for what this program wrote itself, and doubted for others', () => {
    expect(guessMapping([['face_rad'], ['0.1']]).mapping.columns[0]!.plus).toBe('right');
    const { mapping, doubts } = guessMapping([['face (deg)'], ['0.1']]);
    expect(mapping.columns[0]!.plus).toBe('open');
    expect(doubts).toHaveLength(1);
    for (const { id } of quantities())
      expect(plusOptions(id).map(({ value }) => value)).toContain(usualPlus(id, false));
  });
});

describe('a row', () => {
  const { mapping } = guessMapping([
    ['player', 'date', 'time', 'face (deg)', 'result', 'note'],
    ['Bo', '2025-10-03', '14:05', '0.4', 'left', 'windy'],
  ]);
  it('is a putt in SI', () => {
    const read = readRow(
      ['Bo', '2025-10-03', '14:05', '0.4', 'left', 'windy'],
      mapping,
      'old year.csv',
    );
    expect(read).toEqual({
      ok: true,
      row: {
        student: 'Bo',
        when: { year: 2025, month: 10, day: 3, seconds: 50700 },
        id: null,
        result: 'left',
        note: 'windy',
        values: { face: { value: 0.4 * DEGREE, by: 'old year.csv' } },
      },
    });
  });
  it('says why it cannot be one', () => {
    const reason = (...cells: string[]) => {
      const read = readRow(cells, mapping, 'file');
      return read.ok ? null : read.reason;
    };
    expect(reason('Bo', '2025-10-03', '', '=2+2')).toContain('“=2+2” is not a number');
    expect(reason('Bo', '2025-10-03', '', '4 mm')).toContain(
      'is not a number, or its unit does not fit',
    );
    expect(reason('Bo', '2025-10-03', '', '4000')).toContain('is out of range');
    expect(reason('Bo', 'soon', '', '1')).toContain('“soon” is not a date');
    expect(reason('Bo', '2025-10-03')).toContain('no measurement and no result');
    expect(reason('a', 'b', 'c', 'd', 'e', 'f', 'g')).toContain('7 cells, but there are 6 columns');
    // Mixed units in one column are read by what each cell says.
    expect(quantityOf('face').dimension).toBe('angle');
    const mixed = readRow(['Bo', '', '', '0.01 rad'], mapping, 'file');
    expect(mixed.ok && mixed.row.values.face!.value).toBeCloseTo(0.01, 12);
  });
});
