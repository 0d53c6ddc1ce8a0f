import { LIBRARY, libraryDrill } from '@/core/drill';
import { drawLayout, fitted, standing, type Layout } from '@/core/layout';
import { STANDARD_FITTING } from '@/core/people';
import { DEFAULT_UNITS } from '@/core/units';
import { t } from 'tests/english';
import { svgString } from '../svg-string';
import { Drawing } from './drawing';
import { fit, marginsOf, type Lie } from './geometry';

const ROOMS: [name: string, size: { width: number; height: number }, lie: Lie][] = [
  ['a laptop', { width: 1130, height: 330 }, 'along'],
  ['a phone, lying', { width: 390, height: 300 }, 'along'],
  ['a phone, standing', { width: 390, height: 420 }, 'up'],
];

const drawn = (layout: Layout, size: { width: number; height: number }, lie: Lie) => {
  const marks = drawLayout(layout);
  const geometry = fit(marks, { ...size, lie, margin: marginsOf(lie), holeAtMost: 58 });
  const svg = svgString(
    <Drawing
      t={t}
      marks={marks}
      units={DEFAULT_UNITS}
      geometry={geometry}
      size={size}
      clip="clip"
    />,
  );
  return { marks, geometry, svg };
};

const textsOf = (svg: string) => [...svg.matchAll(/<text[^>]*>([^<]*)</g)].map(([, text]) => text);

describe.each(ROOMS)('every built-in drill on %s', (_name, size, lie) => {
  it.each(LIBRARY.map((drill) => [drill.key, drill.layout] as const))('%s', (_key, layout) => {
    for (const hand of ['right', 'left'] as const) {
      const { marks, geometry, svg } = drawn(
        fitted(layout, { ...STANDARD_FITTING, hand }),
        size,
        lie,
      );
      expect(svg).not.toMatch(/NaN|undefined|Infinity/);
      const letters = standing(layout).flatMap((element) =>
        element.places().flatMap(({ label }) => label ?? []),
      );
      expect(textsOf(svg)).toEqual(expect.arrayContaining([...letters, 'ball', 'hole']));
      for (const mark of marks) {
        if (mark.type !== 'tee' && mark.type !== 'ball' && mark.type !== 'hole') continue;
        const { x, y } = geometry.pixel(mark.at);
        expect(x).toBeGreaterThan(0);
        expect(x).toBeLessThan(size.width);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(size.height);
      }
    }
  });
});

describe('the geometry of a drawing', () => {
  it.each(LIBRARY.map(({ key, layout }) => [key, layout] as const))(
    'leads from a pixel back to its spot, and cuts out nothing that stands: %s',
    (_key, layout) => {
      const { marks, geometry } = drawn(layout, { width: 1130, height: 330 }, 'along');
      for (const mark of marks) {
        if (mark.type !== 'tee' && mark.type !== 'coin' && mark.type !== 'hole') continue;
        const back = geometry.spot(geometry.pixel(mark.at));
        expect(back.along).toBeCloseTo(mark.at.along, 9);
        expect(back.across).toBeCloseTo(mark.at.across, 9);
        const { cut } = geometry;
        if (cut) expect(mark.at.along <= cut.from || mark.at.along >= cut.to).toBe(true);
      }
    },
  );

  it('cuts no stretch out of a putt that breaks: its curve is what it shows', () => {
    const bending = LIBRARY.filter(({ layout }) =>
      drawLayout(layout).some(
        (mark) =>
          mark.type === 'curve' &&
          mark.role === 'roll' &&
          mark.points.some(({ across }) => Math.abs(across) > 0.03),
      ),
    );
    expect(bending.length).toBeGreaterThan(5);
    for (const { layout } of bending) {
      expect(drawn(layout, { width: 1130, height: 330 }, 'along').geometry.cut).toBeNull();
    }
  });

  it('draws the start line of a long straight putt through its cut', () => {
    const { layout } = libraryDrill('straight-gate')!;
    const { geometry, svg } = drawn(layout, { width: 500, height: 330 }, 'along');
    const { cut, pixel } = geometry;
    expect(cut).not.toBeNull();
    for (const along of [cut!.from, cut!.to]) {
      const { x, y } = pixel({ along, across: 0 });
      expect(svg).toContain(`${x},${y}`);
    }
  });

  it('does not repeat a tee that a touch target stands for', () => {
    const { layout } = libraryDrill('straight-gate')!;
    const size = { width: 390, height: 420 };
    const marks = drawLayout(layout);
    const geometry = fit(marks, { ...size, lie: 'up', margin: marginsOf('up'), holeAtMost: 92 });
    const targets = [{ id: 'ballGate1/left' }, { id: 'ballGate1/right' }];
    const shared = { marks, units: DEFAULT_UNITS, geometry, size, clip: 'clip' };
    const letters = (svg: string) => textsOf(svg).filter((text) => text === 'A' || text === 'B');
    expect(letters(svgString(<Drawing t={t} {...shared} />))).toEqual(['A', 'B']);
    expect(letters(svgString(<Drawing t={t} {...shared} targets={targets} />))).toEqual([]);
  });
});
