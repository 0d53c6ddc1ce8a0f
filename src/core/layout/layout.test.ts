import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { BALL_DIAMETER, DEFAULT_PUTT, FLAT, makeWindow, type Putt } from '@/core/green';
import { FOOT, INCH, toDegrees } from '@/core/units';
import {
  ballGate,
  ballGateLayout,
  ballGateOf,
  checkLayout,
  drawLayout,
  gapForTolerance,
  gateTolerance,
  judge,
  layoutCautions,
  layoutKit,
  layoutSchema,
  outcomesProblem,
  standing,
  settingOf,
  sensitivityOf,
  strictnessOf,
  strictnessWords,
  type BallGate,
} from '.';

const putt: Putt = {
  distance: 8 * FOOT,
  greenSpeed: 10 * FOOT,
  past: 18 * INCH,
  slope: FLAT,
  tiers: [],
};
const setting = settingOf(putt);
const gate: BallGate = {
  distance: 18 * INCH,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
  made: 'tees',
  on: 'line',
};

const anyGate = fc.record({
  distance: between(0.2, 3),
  gap: between(0.045, 0.12),
  shank: between(0.002, 0.008),
  offset: between(-0.005, 0.005),
  made: fc.constant('tees' as const),
  on: fc.constant('line' as const),
});

describe('gateTolerance', () => {
  it('is ±1.085° for 60 mm at 18 in with 5 mm tees; its first-order form gives 1.086°', () => {
    // By hand: atan(32.5 / 457.2) = 4.0660°, asin(23.835 / 458.354) = 2.9808°.
    const { left, right } = gateTolerance(gate);
    expect(toDegrees(left)).toBeCloseTo(4.066 - 2.9808, 3);
    expect(right).toBe(left);
    const firstOrder = (gate.gap - BALL_DIAMETER) / (2 * gate.distance);
    expect(toDegrees(firstOrder)).toBeCloseTo(1.086, 3);
    expect(right / firstOrder).toBeCloseTo(1, 2);
  });

  it('mirrors when the ball is moved to the other side of the centre line', () => {
    fc.assert(
      fc.property(anyGate, (some) => {
        const here = gateTolerance(some);
        const there = gateTolerance({ ...some, offset: -some.offset });
        expect(there.left).toBeCloseTo(here.right, 12);
        expect(there.right).toBeCloseTo(here.left, 12);
      }),
    );
  });

  it('widens with the gap, narrows with the distance', () => {
    fc.assert(
      fc.property(anyGate, between(0.001, 0.05), (some, more) => {
        const centred = { ...some, offset: 0 };
        const { right } = gateTolerance(centred);
        expect(gateTolerance({ ...centred, gap: some.gap + more }).right).toBeGreaterThan(right);
        expect(gateTolerance({ ...centred, distance: some.distance + more }).right).toBeLessThan(
          right,
        );
      }),
    );
  });

  it('approaches (w - D) / 2d for a narrow gate far away', () => {
    const far = { distance: 20, gap: 0.05, shank: 0.005, offset: 0 };
    expect(gateTolerance(far).right / ((0.05 - BALL_DIAMETER) / 40)).toBeCloseTo(1, 3);
  });

  it('agrees with where balls really go', () => {
    fc.assert(
      fc.property(anyGate, between(-0.2, 0.2), (some, direction) => {
        const { left, right } = gateTolerance(some);
        const met = ballGate.meets({ direction }, some, setting);
        if (Math.abs(direction + left) < 1e-9 || Math.abs(direction - right) < 1e-9) return;
        expect(met).toBe(direction > right ? 'right' : direction < -left ? 'left' : 'clear');
      }),
    );
  });

  it('is undone by gapForTolerance', () => {
    fc.assert(
      fc.property(anyGate, (some) => {
        const { right } = gateTolerance({ ...some, offset: 0 });
        expect(gapForTolerance(right, some.distance, some.shank)).toBeCloseTo(some.gap, 10);
      }),
    );
  });
});

const strictness = (some: BallGate, here: Putt) =>
  strictnessOf(ballGateLayout(here, some), 'gate')!;

describe('strictness', () => {
  it('makes about 58 mm worth 8 ft with the gate at 18 in', () => {
    expect(Math.round(strictness(gate, putt).worth!.metres * 1000)).toBe(58);
  });

  it('has a gate at its worth exactly as strict as the hole', () => {
    fc.assert(
      fc.property(between(1, 6), between(0.2, 0.9), (distance, at) => {
        const here = { ...putt, distance };
        const some = { ...gate, distance: at };
        const { worth } = strictness(some, here);
        const equal = strictness({ ...some, gap: worth!.metres }, here);
        expect(equal.ratio).toBeCloseTo(1, 5);
        expect(equal.verdict).toBe('equal');
      }),
    );
  });

  it('finds the gap by halving that the closed form gives', () => {
    const { hole, worth } = strictness(gate, putt);
    expect(worth!.metres).toBeCloseTo(gapForTolerance(hole.right, gate.distance, gate.shank), 6);
  });

  it('says in words which of the two is stricter', () => {
    expect(strictnessWords(strictness({ ...gate, gap: 0.054 }, putt))).toEqual({
      verdict: 'Stricter than the hole, ×1.3',
      meaning: 'Every putt that passes here at this pace is holed.',
    });
    expect(strictnessWords(strictness({ ...gate, gap: 0.07 }, putt))).toEqual({
      verdict: 'Looser than the hole, ×0.6',
      meaning: 'A putt can pass here and still miss the hole.',
    });
    expect(strictnessWords(strictness({ ...gate, gap: 0.058 }, putt)).verdict).toBe(
      'As strict as the hole',
    );
  });

  it('knows that 2 mm in the gap are 0.125° each side, and that the ball’s spot matters most', () => {
    const [first, second, third] = sensitivityOf(ballGateLayout(putt, gate), 'gate');
    // 3 mm aside at 18 in are 0.376°, 1 mm more to each tee 0.125°; 1 cm nearer opens 1.09° by a 45th.
    expect([first!.name, second!.name, third!.name]).toEqual(['ball', 'gap', 'distance']);
    expect(toDegrees(first!.change)).toBeCloseTo(0.376, 2);
    expect(toDegrees(second!.change)).toBeCloseTo(0.125, 2);
    expect(toDegrees(third!.change)).toBeCloseTo(0.024, 2);
  });
});

describe('a layout', () => {
  const layout = ballGateLayout(putt, gate);

  it('goes to JSON and back unchanged', () => {
    expect(layoutSchema.parse(JSON.parse(JSON.stringify(layout)))).toEqual(layout);
    expect(ballGateOf(layout)).toMatchObject({
      id: 'gate',
      gap: gate.gap,
      distance: gate.distance,
    });
  });

  it.each([
    ['a gap not above the ball', { ...gate, gap: 0.0426 }],
    ['a gate at the ball', { ...gate, distance: 0 }],
    ['a shank of nothing', { ...gate, shank: 0 }],
  ])('refuses %s', (_what, params) => {
    expect(() => ballGateLayout(putt, params)).toThrow();
  });

  it('refuses an element of an unknown kind and two of one id', () => {
    expect(
      layoutSchema.safeParse({ putt, elements: [{ id: 'x', kind: 'windmill', params: {} }] })
        .success,
    ).toBe(false);
    const [ball] = layout.elements;
    expect(layoutSchema.safeParse({ putt, elements: [ball, ball] }).success).toBe(false);
  });

  it('finds a gate beyond the hole, tees in the hole, and too little air', () => {
    const fields = (some: BallGate) =>
      checkLayout(ballGateLayout(putt, some)).map(({ severity, field }) => `${severity} ${field}`);
    expect(fields(gate)).toEqual([]);
    expect(fields({ ...gate, distance: 3 })).toEqual(['error distance']);
    expect(fields({ ...gate, distance: putt.distance })).toEqual(['error gap']);
    expect(fields({ ...gate, distance: putt.distance, gap: 0.12 })).toEqual([]);
    expect(fields({ ...gate, gap: 0.044 })).toEqual(['warning gap']);
  });

  it('places the tees so that the tape finds the gap between them', () => {
    fc.assert(
      fc.property(anyGate, (some) => {
        const [left, right] = ballGate.places(some, setting);
        const across = (right?.at.across ?? 0) - (left?.at.across ?? 0);
        expect(across - some.shank).toBeCloseTo(some.gap, 12);
      }),
    );
  });

  it('draws both wedges, both tees and dimensions that add up to the putt', () => {
    const marks = drawLayout(layout);
    const wedge = (role: string) =>
      marks.find((mark) => mark.type === 'wedge' && mark.role === role);
    expect(wedge('hole')).toMatchObject({ right: makeWindow(putt).right });
    expect(wedge('gate')).toMatchObject({ right: gateTolerance(gate).right });
    expect(marks.filter(({ type }) => type === 'tee')).toHaveLength(2);
    const parts = marks.flatMap((mark) =>
      mark.type === 'dimension' && mark.row === 1 ? [mark.to - mark.from] : [],
    );
    expect(parts.reduce((sum, part) => sum + part, 0)).toBeCloseTo(putt.distance, 12);
  });

  it('offers clear first, and evidence that covers every direction once', () => {
    const [, element] = standing(layout);
    const outcomes = element?.outcomes() ?? [];
    expect(outcomes.map(({ id }) => id)).toEqual(['clear', 'left', 'right']);
    const bounds = outcomes
      .flatMap(({ id }) => element?.evidence(id) ?? [])
      .flatMap((said) => (said.quantity === 'start' ? [said] : []))
      .sort((a, b) => a.lower - b.lower);
    expect(bounds.map(({ lower }) => lower)).toEqual([
      -Infinity,
      bounds[0]?.upper,
      bounds[1]?.upper,
    ]);
    expect(bounds[2]?.upper).toBe(Infinity);
  });

  it('refuses outcomes that cannot happen', () => {
    expect(outcomesProblem(layout, { gate: 'clear' })).toBeNull();
    expect(outcomesProblem(layout, {})).toContain('Nothing was logged for this putt');
    expect(outcomesProblem(layout, { gate: 'sideways' })).toContain('clear, left, right');
    expect(outcomesProblem(layout, { gate: 'clear', moat: 'wet' })).toContain('no element “moat”');
    expect(outcomesProblem(layout, { gate: 'clear', ball: 'lost' })).toContain(
      'Nothing is logged there',
    );
  });

  it('knows a clear putt, its kit and its cautions', () => {
    expect(judge(layout)({ gate: 'clear' })).toBe(true);
    expect(judge(layout)({ gate: 'left' })).toBe(false);
    expect(layoutKit(layout)).toEqual([
      { item: 'marker', name: 'ball marker', count: 1 },
      { item: 'tee', name: 'tees', count: 2 },
    ]);
    expect(layoutCautions(layout).join(' ')).toContain('greenkeeper');
  });

  it('starts from numbers that stand on any putt', () => {
    fc.assert(
      fc.property(between(0.3, 40), (distance) => {
        const here = { ...DEFAULT_PUTT, distance };
        const fresh = ballGateLayout(here, ballGate.defaults(here));
        expect(checkLayout(fresh).filter(({ severity }) => severity === 'error')).toEqual([]);
      }),
    );
  });
});

describe('a layout on a breaking putt', () => {
  const breaking: Putt = { ...putt, slope: { grade: 0.02, falls: -Math.PI / 2 } };
  const layout = ballGateLayout(breaking, { ...gate, gap: 0.054 });
  const { aim } = makeWindow(breaking);
  const [, element] = standing(layout);

  it('has its gate square across the start line, at its distance from the ball', () => {
    const [left, right] = element!.places();
    const middle = {
      along: (left!.at.along + right!.at.along) / 2,
      across: (left!.at.across + right!.at.across) / 2,
    };
    expect(Math.hypot(middle.along, middle.across)).toBeCloseTo(gate.distance, 12);
    expect(Math.atan2(middle.across, middle.along)).toBeCloseTo(aim.direction, 12);
    const between = [right!.at.along - left!.at.along, right!.at.across - left!.at.across] as const;
    expect(Math.hypot(...between) - gate.shank).toBeCloseTo(0.054, 12);
    expect(between[0] * middle.along + between[1] * middle.across).toBeCloseTo(0, 12);
  });

  it('places tee A 8.9 mm and tee B 67.7 mm right of the line to the hole, by hand', () => {
    // 457.2 mm at 4.806° is 38.30 mm across; 29.5 mm either side, times cos 4.806°, is 29.40 mm.
    const [left, right] = element!.places();
    expect(left!.at.across * 1000).toBeCloseTo(38.3 - 29.4, 1);
    expect(right!.at.across * 1000).toBeCloseTo(38.3 + 29.4, 1);
  });

  it('judges a start against the start line, not the line to the hole', () => {
    expect(element!.meets({ direction: 0 })).toBe('clear');
    // The curve has left the start line by 4.85 mm at 18 in on this putt: what the straight formula gives to both sides lies
    // that much to the left, atan(4.85 / 457.2) = 0.608°.
    const { left, right } = element!.tolerance()!;
    const straight = gateTolerance({ ...gate, gap: 0.054 });
    expect(toDegrees(right - left) / 2).toBeCloseTo(0.608, 2);
    expect(left + right).toBeCloseTo(straight.left + straight.right, 4);
  });

  it('draws the curve through the hole, and the aim beside it', () => {
    const marks = drawLayout(layout);
    const curve = marks.find((mark) => mark.type === 'curve');
    const off = curve!.points.map(({ along, across }) =>
      Math.hypot(along - breaking.distance, across),
    );
    expect(Math.min(...off)).toBeLessThan(0.03);
    expect(marks.find((mark) => mark.type === 'aim')).toMatchObject({ beside: aim.beside });
    expect(drawLayout(ballGateLayout(putt, gate)).some(({ type }) => type === 'curve')).toBe(false);
  });

  it('is the same in a mirror when the green falls the other way', () => {
    const mirrored = ballGateLayout(
      { ...putt, slope: { grade: 0.02, falls: Math.PI / 2 } },
      { ...gate, gap: 0.054 },
    );
    const [a, b] = element!.places();
    const [c, d] = standing(mirrored)[1]!.places();
    expect(d!.at.across).toBeCloseTo(-a!.at.across, 9);
    expect(c!.at.across).toBeCloseTo(-b!.at.across, 9);
  });
});
