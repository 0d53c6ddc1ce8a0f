import { libraryDrill } from '@/core/drill';
import {
  standing,
  stationPlace,
  ownPlace,
  placeAfter,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import { scoreHistory, type Estimate, type LoggedSession } from '@/core/scoring';
import { changeBetween } from '@/core/scoring';
import { readMisses } from '@/core/coaching';
import { SKILLS, pointsOf } from '@/core/scoring';
import {
  dice,
  putt,
  strike,
  EXACT,
  type Dice,
  type Placement,
  type Truth,
  type Struck,
} from '../tests/player/player';
import type { Green } from '../tests/player/green';

const DEG = Math.PI / 180;
const FOOT = 0.3048;
const N = Number(process.env.PLAYERS ?? 100);
const window = (b: number, s: number): number => {
  // by bisection on a plain integral
  const phi = (z: number) => 0.5 * (1 + erf(z / Math.SQRT2));
  let [lo, hi] = [0, Math.abs(b) + 6 * s];
  for (let i = 0; i < 60; i++) {
    const m = (lo + hi) / 2;
    if (phi((m - b) / s) - phi((-m - b) / s) < 0.8) lo = m;
    else hi = m;
  }
  return hi;
};
function erf(x: number): number {
  const t = 1 / (1 + 0.5 * Math.abs(x));
  const r =
    1 -
    t *
      Math.exp(
        -x * x -
          1.26551223 +
          t *
            (1.00002368 +
              t *
                (0.37409196 +
                  t *
                    (0.09678418 +
                      t *
                        (-0.18628806 +
                          t *
                            (0.27886807 +
                              t *
                                (-1.13520398 +
                                  t * (1.48851587 + t * (-0.82215223 + t * 0.17087277)))))))),
      );
  return x >= 0 ? r : -r;
}
const somebody = (random: Dice): Truth => ({
  face: [0.3 * DEG * random.normal(), 1.1 * DEG * Math.exp(0.3 * random.normal())],
  path: [1 * DEG * random.normal(), 1.6 * DEG * Math.exp(0.2 * random.normal())],
  strike: [0.002 * random.normal(), 0.0045 * Math.exp(0.25 * random.normal())],
  pace: [0.03 * random.normal(), 0.1 * Math.exp(0.2 * random.normal())],
  height: [0, 0.003],
  faceShare: 0.92,
});
const startOf = (t: Truth): [number, number] => [
  t.faceShare * t.face[0] + (1 - t.faceShare) * t.path[0],
  Math.hypot(t.faceShare * t.face[1], (1 - t.faceShare) * t.path[1]),
];
const greenOf = ({ putt: p }: Layout, change: Partial<Green> = {}): Green => ({
  distance: p.distance,
  greenSpeed: p.greenSpeed,
  grade: p.slope.grade,
  falls: p.slope.falls,
  past: p.past,
  ...change,
});
const mapped = (layout: Layout, outcomes: Record<string, string>) => {
  const ids = new Map(standing(layout).map((e) => [e.id, e.outcomes().map(({ id }) => id)]));
  return Object.fromEntries(
    Object.entries(outcomes).map(([id, o]) => {
      const ok = ids.get(id)!;
      if (ok.includes(o)) return [id, o];
      return [id, ok.includes('past') ? 'past' : 'clear'];
    }),
  );
};
interface Logged {
  outcomes: Record<string, string>;
  points?: Record<string, { along: number; across: number }>;
  [more: string]: unknown;
}
const session = (layout: Layout, putts: Logged[], day = 0, id = `s${day}`): LoggedSession => ({
  id,
  at: new Date(Date.UTC(2026, 0, 1 + day)),
  runs: [{ layout, putts } as never],
});
const log = (
  layout: Layout,
  struck: Struck,
  green: Green,
  off: Placement = EXACT,
): Logged & { holed: boolean; rest: { x: number; y: number } } => {
  const met = putt(struck, layout.elements as never, green, layout.player as never, off);
  return { outcomes: mapped(layout, met.outcomes), holed: met.holed, rest: met.rest };
};
const holds = ({ low, high }: Estimate, truth: number) => Number(truth >= low && truth <= high);
const median = (v: number[]) => v.slice().sort((a, b) => a - b)[v.length >> 1]!;
const pc = (x: number) => `${Math.round(100 * x)} %`;

function covered(
  name: string,
  seed: number,
  skill: 'start' | 'pace' | 'strike',
  make: (t: Truth, r: Dice) => LoggedSession,
  also = (t: Truth) => t,
) {
  const ratios: number[] = [];
  let held = 0;
  for (let i = 0; i < N; i++) {
    const random = dice(seed + i);
    const truth = also(somebody(random));
    const s = scoreHistory([make(truth, random)]).at(-1)!.alone[skill];
    const [b, sd] = skill === 'start' ? startOf(truth) : truth[skill];
    const w = skill === 'pace' ? sd : window(b, sd);
    const e = skill === 'pace' ? s.spread : s.window;
    ratios.push(e.middle / w);
    held += holds(e, w);
  }
  console.log(`| ${name} | ×${median(ratios).toFixed(2)} | ${pc(held / N)} |`);
}

const rounds =
  (layout: Layout, n: number, k: number, balls: number, dist: (station: number) => number) =>
  (t: Truth, r: Dice) => {
    const putts: Logged[] = [];
    for (let i = 0; i < n; i++) {
      const station = Math.floor(i / balls) % k;
      putts.push({
        ...log(layout, strike(t, r), greenOf(layout, { distance: dist(station) })),
        place: stationPlace(layout, station),
      });
    }
    return session(layout, putts);
  };
const lib = (key: string) => libraryDrill(key)!.layout;
const rows = new Set((process.env.ROWS ?? '').split(',').filter(Boolean));
const row = (id: string, run: () => void) => {
  if (rows.size === 0 || rows.has(id)) run();
};

row('1', () => {
  const layout = lib('two-three-four');
  covered('2-3-4 ft stations', 100, 'start', (t, r) => {
    const putts: Logged[] = [];
    let at = 0;
    for (let i = 0; i < 300; i++) {
      const p = log(layout, strike(t, r), greenOf(layout, { distance: (2 + at) * FOOT }));
      putts.push({ ...p, place: stationPlace(layout, at) });
      at = p.holed ? (at + 1) % 3 : 0;
    }
    return session(layout, putts);
  });
});
row('2', () => {
  const base = lib('string-line');
  const layout = {
    ...base,
    putt: { ...base.putt, distance: 3 * FOOT },
    elements: base.elements.map((e) =>
      e.kind === 'stations' ? { ...e, params: { ...e.params, count: 3 } } : e,
    ),
  } as Layout;
  covered(
    '3-6-9 ft',
    200,
    'start',
    rounds(layout, 300, 3, 5, (s) => (3 + 3 * s) * FOOT),
  );
});
row('3', () => {
  const layout = lib('lag-and-farther');
  const two = (t: Truth, r: Dice, holes: number) => {
    const putts: Logged[] = [];
    for (let h = 0; h < holes; h++) {
      let green = greenOf(layout);
      let place: PuttPlace = ownPlace(layout);
      for (let i = 0; i < 8; i++) {
        const p = log(layout, strike(t, r), green);
        const [dx, dy] = [p.rest.x - green.distance, p.rest.y];
        putts.push({ ...p, place });
        if (p.holed) break;
        place = placeAfter(
          place,
          { along: p.rest.x + 0.06 * r.normal(), across: p.rest.y + 0.06 * r.normal() },
          0.9,
        );
        green = greenOf(layout, { distance: Math.hypot(dx, dy) + 0.9 });
      }
    }
    return session(layout, putts);
  };
  covered('long putt, then a putter length farther', 300, 'start', (t, r) => two(t, r, 100));
});
row('4', () => {
  const layout = lib('even-count');
  covered(
    'pace spread, three lengths',
    400,
    'pace',
    rounds(layout, Number(process.env.K ?? 150), 3, 5, (s) => (10 + 10 * s) * FOOT),
  );
});
row('5', () => {
  for (const grade of [0.01, 0.02, 0.03]) {
    const base = lib('breaking-start-gate');
    const layout = {
      ...base,
      putt: { ...base.putt, slope: { grade, falls: -Math.PI / 2 } },
      elements: base.elements.map((e) =>
        e.kind === 'ballGate' ? { ...e, params: { ...e.params, distance: 0.4572 } } : e,
      ),
    } as Layout;
    let off = 0,
      named = 0;
    for (let i = 0; i < N; i++) {
      const r = dice(500 + i);
      const t = { ...somebody(r), face: [0, 1.1 * DEG], path: [0, 1.6 * DEG] } as Truth;
      const putts = Array.from({ length: 200 }, () => log(layout, strike(t, r), greenOf(layout)));
      const [s] = scoreHistory([session(layout, putts)]);
      off += s!.alone.start.bias.middle / DEG / N;
      const points = Object.fromEntries(
        SKILLS.map((k) => [k, pointsOf(s!.belief.carried, k, 0.92)]),
      ) as never;
      named +=
        Number(
          readMisses({
            hand: 'right',
            school: 'arc',
            points,
            basis: s!.basis,
            counts: {
              both: 0,
              clearMissed: 0,
              hitHoled: 0,
              cold: null,
              pressure: null,
              strike: null,
            },
          }).some(({ id }) => id === 'push' || id === 'pull'),
        ) / N;
    }
    console.log(`| gate on a break, ${100 * grade} % | ${off.toFixed(2)}° | named ${pc(named)} |`);
  }
});
row('6', () => {
  const layout = lib('straight-gate'),
    one = lib('lead-hand-only');
  const r = dice(7);
  const t = { ...somebody(r), face: [0, 1.1 * DEG], path: [0, 1.6 * DEG] } as Truth;
  const usual = Array.from({ length: 40 }, () => log(layout, strike(t, r), greenOf(layout)));
  const weak = { ...t, face: [-3 * DEG, 3 * DEG] } as Truth;
  const handed = Array.from({ length: 10 }, () => ({
    ...log(one, strike(weak, r), greenOf(one)),
    manner: 'lead hand',
  }));
  const say = (s: ReturnType<typeof scoreHistory>) => {
    const x = s.at(-1)!.carried.start;
    return `${(x.bias.middle / DEG).toFixed(2)}°, ±${(x.window.middle / DEG).toFixed(2)}°`;
  };
  console.log(
    `| one-handed | before ${say(scoreHistory([session(layout, usual)]))} | after ${say(scoreHistory([session(layout, usual), session(one, handed, 0.04, 'h')]))} |`,
  );
  const heavy = lib('heavy-ball'),
    pace = lib('just-past');
  const paced = Array.from({ length: 40 }, () => log(pace, strike(t, r), greenOf(pace)));
  const zone = heavy.elements.find(({ kind }) => kind === 'paceZone')!.id;
  const eight = Array.from({ length: 8 }, () => ({
    outcomes: { [zone]: 'short' },
    manner: 'heavy ball',
  }));
  const say2 = (s: ReturnType<typeof scoreHistory>) => {
    const x = s.at(-1)!.carried.pace;
    return `${pc(x.bias.middle)}`;
  };
  console.log(
    `| heavy ball, eight short | before ${say2(scoreHistory([session(pace, paced)]))} | after ${say2(scoreHistory([session(pace, paced), session(heavy, eight as never, 0.04, 'h')]))} |`,
  );
});
row('8', () => {
  const base = lib('box-gate');
  const layout = {
    ...base,
    player: { ...base.player, headDepth: 0.1 },
    elements: base.elements.map((e) =>
      e.kind === 'boxGate'
        ? { ...e, params: { ...e.params, behind: 0.152, ahead: 0.152, clearance: 0.012 } }
        : e,
    ),
  } as Layout;
  covered('deep head, arc, box ±152 mm', 800, 'strike', (t, r) =>
    session(
      layout,
      (() => {
        const off = { gap: 0.0015 * r.normal(), distance: 0.01 * r.normal() };
        return Array.from({ length: 300 }, () => log(layout, strike(t, r), greenOf(layout), off));
      })(),
    ),
  );
});
const gate = (built: boolean): Layout => {
  const base = lib('straight-gate');
  return built
    ? ({
        ...base,
        elements: base.elements.map((e) =>
          e.kind === 'ballGate' ? { ...e, built: { gap: 0.06, distance: 0.4572 } } : e,
        ),
      } as Layout)
    : base;
};
function twoSessions(name: string, share: number, sdGap: number, sdAlong: number, built: boolean) {
  let claims = 0,
    smaller = 0,
    held = 0;
  const ratios: number[] = [];
  const layout = gate(built);
  for (let i = 0; i < 2 * N; i++) {
    const r = dice(900 + i);
    const t = somebody(r);
    const later = {
      ...t,
      face: [t.face[0] * share, t.face[1] * share],
      path: [t.path[0] * share, t.path[1] * share],
    } as Truth;
    const one = (who: Truth) => {
      const off = { gap: sdGap * r.normal(), distance: sdAlong * r.normal() };
      return Array.from({ length: 300 }, () => log(layout, strike(who, r), greenOf(layout), off));
    };
    const scores = scoreHistory([session(layout, one(t), 0), session(layout, one(later), 14)]);
    const change = changeBetween([scores[0]!], [scores[1]!], 'start', 0.92);
    claims += Number(Math.max(change.smaller, 1 - change.smaller) > 0.9);
    smaller += Number(change.smaller > 0.9);
    held += holds(change.ratio, share);
    ratios.push(change.ratio.middle);
  }
  console.log(
    `| ${name} | ratio ${median(ratios).toFixed(3)}, covered ${pc(held / 2 / N)} | claims ${pc(claims / 2 / N)}, smaller ${pc(smaller / 2 / N)} |`,
  );
}
row('9', () => {
  twoSessions('nothing changed, gaps ±3 mm a stand', 1, 0.0015, 0.005, false);
  twoSessions('nothing changed, measured', 1, 0.0005, 0.002, true);
});
row('10', () => twoSessions('window truly 0.8, measured', 0.8, 0.0005, 0.002, true));
row('11', () => {
  const layout = lib('straight-gate');
  for (const [name, end] of [
    ['halves in six weeks', 0.5],
    ['stays', 1],
  ] as const) {
    const held = Array(7).fill(0),
      lag: number[][] = Array.from({ length: 7 }, () => []);
    for (let i = 0; i < 2 * N; i++) {
      const r = dice(1100 + i);
      const t = somebody(r);
      const all: LoggedSession[] = [];
      const truths: number[] = [];
      for (let week = 0; week <= 6; week++) {
        const k = end ** (week / 6);
        const now = {
          ...t,
          face: [t.face[0] * k, t.face[1] * k],
          path: [t.path[0] * k, t.path[1] * k],
        } as Truth;
        const off = { gap: 0.0015 * r.normal(), distance: 0.01 * r.normal() };
        all.push(
          session(
            layout,
            Array.from({ length: 30 }, () => log(layout, strike(now, r), greenOf(layout), off)),
            7 * week,
          ),
        );
        truths.push(window(...startOf(now)));
      }
      scoreHistory(all).forEach(({ carried }, week) => {
        held[week] += holds(carried.start.window, truths[week]!) / 2 / N;
        lag[week]!.push(carried.start.window.middle / truths[week]!);
      });
    }
    console.log(
      `| ${name} | covered ${held.map(pc).join(' ')} | lag ${lag.map((v) => median(v).toFixed(2)).join(' ')} |`,
    );
  }
});
