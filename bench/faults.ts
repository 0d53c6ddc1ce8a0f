import {
  libraryDrill,
  ruleGround,
  tellsApart,
  trialArms,
  type Putt,
  type TrialRule,
} from '@/core/drill';
import {
  outcomesProblem,
  ownPlace,
  placeAfter,
  stationPlace,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import { finishOf, oddsOf } from '@/core/planning';
import {
  NO_COUNTS,
  judged,
  missCause,
  ownLines,
  readMisses,
  tellReading,
  trialsOf,
} from '@/core/coaching';
import {
  DEFAULT_FACE_SHARE,
  SKILLS,
  changeBetween,
  pointsOf,
  scoreHistory,
  type SessionScore,
  type SkillName,
} from '@/core/scoring';
import { Matrix } from 'ml-matrix';
import { EXACT, ROUNDING, dice, type Dice, type Truth } from '../tests/player/player';
import {
  changed,
  holds,
  idOf,
  logged,
  loosely,
  many,
  mean,
  measured,
  median,
  percent,
  scaled,
  session,
  somebody,
  startOf,
  touched,
  windowOf,
} from './players';

/**
 * What misled a coach once, measured again: players whose truth is known, rolled and judged by code that the program does
 * not share (tests/player), scored by the program. `PLAYERS` sets how many, `ROWS` which.
 */
const PLAYERS = Number(process.env.PLAYERS ?? 200);
const ROWS = process.env.ROWS?.split(',');

const DEGREE = Math.PI / 180;
const W = DEFAULT_FACE_SHARE;
const drill = (key: string) => libraryDrill(key)!;
const layoutOf = (key: string): Layout => drill(key).layout;
/** A player with no bias at all. */
const straight = (random: Dice): Truth => ({
  ...somebody(random),
  face: [0, 1.1 * DEGREE],
  path: [0, 1.6 * DEGREE],
});

function row(name: string, measure: () => string): void {
  if (ROWS && !ROWS.some((wanted) => name.startsWith(wanted))) return;
  console.log(`| ${name} | ${measure()} |`);
}

/** Median of what is told over the truth, and how often the 80 % interval holds the truth. */
function told(
  seed: number,
  skill: 'start' | 'strike' | 'pace' | 'path',
  of: 'window' | 'spread',
  putted: (truth: Truth, random: Dice) => { layout: Layout; putts: Putt[] },
): string {
  const found = many(PLAYERS, (player) => {
    const random = dice(seed + player);
    const truth = somebody(random);
    const score = scoreHistory([session('one', 0, [putted(truth, random)])]).at(-1)!.alone[skill];
    const own = skill === 'start' ? startOf(truth) : truth[skill];
    const real = of === 'window' ? windowOf(own) : own[1];
    return { ratio: score[of].middle / real, held: holds(score[of], real) };
  });
  const ratio = median(found.map((one) => one.ratio));
  return `×${ratio.toFixed(2)}, ${percent(mean(found.map(({ held }) => held)))} covered`;
}

/** So many balls from each of some stations in turn. */
const inTurn =
  (layout: Layout, putts: number, stations: number, balls: number) =>
  (truth: Truth, random: Dice) => ({
    layout,
    putts: many(putts, (index) => {
      const place = stationPlace(layout, Math.floor(index / balls) % stations);
      return logged(truth, layout, place, random).putt;
    }),
  });

row('start window from 2-3-4 ft stations', () => {
  const layout = layoutOf('two-three-four');
  return told(100, 'start', 'window', (truth, random) => {
    let station = 0;
    const putts = many(300, () => {
      const { putt, met } = logged(truth, layout, stationPlace(layout, station), random);
      station = met.holed ? (station + 1) % 3 : 0;
      return putt;
    });
    return { layout, putts };
  });
});

row('from 3-6-9 ft', () => {
  const layout = changed(layoutOf('string-line'), 'stations', { count: 3 });
  return told(300, 'start', 'window', inTurn(layout, 300, 3, 5));
});

row('long putt, then a putter length farther', () => {
  const layout = layoutOf('lag-and-farther');
  const hole = idOf(layout, 'hole');
  return told(500, 'start', 'window', (truth, random) => {
    const putts: Putt[] = [];
    for (let holes = 0; holes < 60; holes++) {
      let place: PuttPlace = ownPlace(layout);
      for (let ball = 0; ball < 6; ball++) {
        const { putt, met } = logged(truth, layout, place, random);
        putts.push(putt);
        if (met.holed) break;
        // The coach touches where it stopped; the next is made a putter length farther from there.
        const seen = touched(met, random);
        putts[putts.length - 1] = { ...putt, points: { [hole]: seen } };
        const exact = placeAfter(place, { along: met.rest.x, across: met.rest.y }, 0.9);
        place = exact;
      }
    }
    return { layout, putts };
  });
});

row('pace spread, three lengths', () =>
  told(700, 'pace', 'spread', inTurn(layoutOf('even-count'), 300, 3, 5)),
);

for (const grade of [0.01, 0.02, 0.03]) {
  row(`ball gate on the start line of a putt that breaks, ${100 * grade} %`, () => {
    const base = changed(layoutOf('breaking-start-gate'), 'ballGate', { distance: 0.4572 });
    const layout = { ...base, putt: { ...base.putt, slope: { grade, falls: -Math.PI / 2 } } };
    const found = many(PLAYERS, (player) => {
      const random = dice(900 + player);
      const truth = straight(random);
      const off = loosely(random);
      const putts = many(200, () => logged(truth, layout, null, random, off).putt);
      const [score] = scoreHistory([session('one', 0, [{ layout, putts }])]);
      return { bias: score!.alone.start.bias.middle / DEGREE, named: named(score!) };
    });
    const bias = mean(found.map((one) => one.bias));
    return `bias off by ${bias.toFixed(2)}°; a push or pull named for ${percent(mean(found.map((one) => Number(one.named))))}`;
  });
}

function named(score: SessionScore): boolean {
  const points = Object.fromEntries(
    SKILLS.map((skill) => [skill, pointsOf(score.belief.carried, skill, W)]),
  ) as Parameters<typeof readMisses>[0]['points'];
  return readMisses({
    hand: 'right',
    school: 'arc',
    points,
    basis: score.basis,
    counts: NO_COUNTS,
  }).some(({ id }) => id === 'push' || id === 'pull');
}

row('ten one-handed putts', () => {
  const [gate, one] = [layoutOf('straight-gate'), layoutOf('lead-hand-only')];
  const random = dice(7);
  const truth = straight(random);
  const usual = many(40, () => logged(truth, gate, null, random).putt);
  const weak: Truth = { ...truth, face: [-3 * DEGREE, 3 * DEGREE] };
  const handed = many(10, () => ({
    ...logged(weak, one, null, random).putt,
    manner: 'lead hand' as const,
  }));
  const say = (runs: { layout: Layout; putts: Putt[] }[]) => {
    const { bias, window } = scoreHistory([session('one', 0, runs)]).at(-1)!.carried.start;
    return `${(bias.middle / DEGREE).toFixed(2)}°, ±${(window.middle / DEGREE).toFixed(2)}°`;
  };
  const before = { layout: gate, putts: usual };
  return `without them ${say([before])}; with them ${say([before, { layout: one, putts: handed }])}`;
});

row('heavy ball, eight short', () => {
  const [pace, heavy] = [layoutOf('just-past'), layoutOf('heavy-ball')];
  const random = dice(8);
  const truth = straight(random);
  const usual = many(40, () => logged(truth, pace, null, random).putt);
  const eight = many(8, () => ({
    outcomes: { [idOf(heavy, 'paceZone')]: 'short' },
    manner: 'heavy ball' as const,
  }));
  const say = (runs: { layout: Layout; putts: Putt[] }[]) =>
    percent(scoreHistory([session('one', 0, runs)]).at(-1)!.carried.pace.bias.middle);
  const before = { layout: pace, putts: usual };
  return `pace bias without them ${say([before])}; with them ${say([before, { layout: heavy, putts: eight }])}`;
});

for (const [name, key, params] of [
  ['level putter gate', 'putter-gate-level', { clearance: 0.008 }],
  ['box ±76 mm', 'box-gate', { behind: 0.076, ahead: 0.076, clearance: 0.008 }],
  ['box ±152 mm', 'box-gate', { behind: 0.152, ahead: 0.152, clearance: 0.012 }],
] as const) {
  for (const [depth, rounded, school, arc] of [
    [0.025, false, 'straight', 'no arc'],
    [0.06, true, 'arc', 'arc'],
    [0.09, false, 'straight', 'no arc'],
    [0.09, true, 'arc', 'arc'],
    [0.11, false, 'arc', 'arc'],
  ] as const) {
    const outline = `${depth * 1000} mm ${rounded ? 'rounded' : 'rectangle'}`;
    for (const skill of key === 'box-gate'
      ? (['strike', 'path'] as const)
      : (['strike'] as const)) {
      row(`${name}, head ${outline}, ${arc}: ${skill}`, () => {
        const kind = key === 'box-gate' ? 'boxGate' : 'putterGate';
        const base = changed(layoutOf(key), kind, params);
        // A coach measures how far back a head has its full length.
        const headDepth = rounded ? depth * (1 - ROUNDING) : depth;
        const layout = { ...base, player: { ...base.player, headDepth, school } };
        return told(1100, skill, 'window', (truth, random) => {
          const off = loosely(random);
          const putts = many(300, () => logged(truth, layout, null, random, off, rounded).putt);
          return { layout, putts };
        });
      });
    }
  }
}

const gate = layoutOf('straight-gate');
const built = changed(gate, 'ballGate', {}, { gap: 0.06, distance: 0.4572 });

/** Two sessions of 300, the later with windows of some share of the earlier. */
function twoSessions(layout: Layout, share: number, stand: (random: Dice) => typeof EXACT) {
  const found = many(2 * PLAYERS, (player) => {
    const random = dice(1300 + player);
    const truth = somebody(random);
    const putted = (who: Truth) => {
      const off = stand(random);
      return [{ layout, putts: many(300, () => logged(who, layout, null, random, off).putt) }];
    };
    const scores = scoreHistory([
      session('then', 0, putted(truth)),
      session('now', 14, putted(scaled(truth, share))),
    ]);
    return changeBetween([scores[0]!], [scores[1]!], 'start', W);
  });
  const claims = mean(found.map(({ smaller }) => Number(Math.max(smaller, 1 - smaller) > 0.9)));
  return {
    claims,
    power: mean(found.map(({ smaller }) => Number(smaller > 0.9))),
    covered: mean(found.map(({ ratio }) => holds(ratio, share))),
    ratio: median(found.map(({ ratio }) => ratio.middle)),
    measure: mean(found.map(({ measure }) => Number(measure))),
  };
}

row('two sessions of 300, nothing changed, gaps really ±3 mm a stand', () => {
  const { claims, covered, measure } = twoSessions(gate, 1, loosely);
  return `${percent(claims)} claim a change at > 90 %; ratio ${percent(covered)} covered; ${percent(measure)} are told to measure the gap`;
});

row('two sessions of 300, window truly 0.8, gaps measured', () => {
  const { power, covered, ratio } = twoSessions(built, 0.8, measured);
  return `reported ${ratio.toFixed(3)}, ${percent(covered)} covered; power ${percent(power)} at > 90 %`;
});

row('two sessions of 300, nothing changed, gaps measured', () => {
  const { claims, covered } = twoSessions(built, 1, measured);
  return `${percent(claims)} claim a change at > 90 %; ratio ${percent(covered)} covered`;
});

for (const [name, end] of [
  ['window halves in six weeks', 0.5],
  ['window stays as it is for six weeks', 1],
] as const) {
  row(`${name}, 30 putts a week`, () => {
    const weeks = many(2 * PLAYERS, (player) => {
      const random = dice(1700 + player);
      const truth = somebody(random);
      const truths = many(7, (week) => scaled(truth, end ** (week / 6)));
      const scores = scoreHistory(
        truths.map((now, week) => {
          const off = loosely(random);
          const putts = many(30, () => logged(now, gate, null, random, off).putt);
          return session(String(week), 7 * week, [{ layout: gate, putts }]);
        }),
      );
      return scores.map(({ carried }, week) => {
        const real = windowOf(startOf(truths[week]!));
        return { held: holds(carried.start.window, real), lag: carried.start.window.middle / real };
      });
    });
    const of = (pick: (one: { held: number; lag: number }) => number, week: number) =>
      weeks.map((player) => pick(player[week]!));
    const held = many(6, (week) => percent(mean(of((one) => one.held, week + 1))));
    const lag = many(6, (week) => `×${median(of((one) => one.lag, week + 1)).toFixed(2)}`);
    return `covered by week ${held.join(', ')}; told over truth ${lag.join(', ')}`;
  });
}

row('nine holes of the cost drill', () => {
  const { layout, rule, cap, ladder } = drill('lag-and-farther');
  const truth = { ...straight(dice(1)), pace: [0.02, 0.1] as [number, number] };
  const mean9 = Float64Array.from(
    [truth.face, truth.path, truth.strike, truth.pace, truth.height].flatMap(([bias, spread]) => [
      bias,
      Math.log(spread),
    ]),
  );
  const known = { mean: mean9, covariance: Matrix.eye(mean9.length).mul(1e-8) };
  const odds = oddsOf(layout, { ladder, rung: null }, known, W);
  const { expected } = finishOf(rule, cap, ruleGround(layout, ladder.length, null), odds, 25, 20);
  const random = dice(19);
  let putts = 0;
  const goings = 1500;
  for (let hole = 0; hole < 9 * goings; hole++) {
    let place: PuttPlace = ownPlace(layout);
    for (let ball = 0; ball < 40; ball++) {
      const { met } = logged(truth, layout, place, random);
      putts += 1;
      if (met.holed) break;
      const next = placeAfter(place, { along: met.rest.x, across: met.rest.y }, 0.9);
      // To the centimetre: the independent player works a putt out once for each length.
      const distance = Math.round(100 * next.spot!.distance) / 100;
      place = { ...next, spot: { ...next.spot!, distance } };
    }
  }
  return `planned at ${expected!.toFixed(1)} putts, truth ${(putts / goings).toFixed(1)}`;
});

/**
 * A trial of two things with which a player's windows have some ratio, judged after every pair of sets. The gate lets about two
 * putts in three through.
 */
function trials(ratio: number, set: number, sets: number) {
  const layout = changed(gate, 'ballGate', { gap: 0.059 });
  // One is as much wider than usual as the other is narrower.
  const side = Math.sqrt(ratio);
  const found = many(PLAYERS, (player) => {
    const random = dice(2100 + player);
    const truth = straight(random);
    const rule: TrialRule = { type: 'trial', a: 'blade', b: 'mallet', set, sets, lot: player };
    const putts = trialArms(rule).map(
      (arm) => logged(scaled(truth, arm === 'a' ? 1 / side : side), layout, null, random).putt,
    );
    const verdicts = many(sets, (pair) => {
      const run = { layout, rule, putts: putts.slice(0, 2 * set * (pair + 1)) };
      const [skill] = trialsOf([run], ['start'], W)[0]!.skills;
      return skill ? judged(skill.difference).verdict : 'open';
    });
    return {
      first: verdicts.includes('first'),
      second: verdicts.includes('second'),
      alike: verdicts.at(-1) === 'alike',
    };
  });
  const share = (of: (one: (typeof found)[number]) => boolean) =>
    percent(mean(found.map((one) => Number(of(one)))));
  return { share };
}

for (const [set, sets] of [
  [5, 8],
  [5, 16],
] as const) {
  row(`trial of two that are alike, ${sets} sets of ${set}, looked at after every pair`, () => {
    const { share } = trials(1, set, sets);
    return `${share(({ first, second }) => first || second)} ever claim that one is better; ${share(({ alike }) => alike)} end with “no difference that matters”`;
  });
  row(`trial with windows apart as far as it promises to tell, ${sets} sets of ${set}`, () => {
    const apart = tellsApart({ set, sets });
    const { share } = trials(1 / apart, set, sets);
    return `×${apart.toFixed(2)}: ${share(({ second }) => second)} find it, ${share(({ first }) => first)} claim the other way`;
  });
}

/** Putts after a read was said, on a green that is off by 0.3 % and a foot from what was measured of it. */
function reads(
  seed: number,
  reading: [number, number] | null,
  putts: number,
  somebodyElse: (random: Dice) => Truth = somebody,
) {
  const layout = layoutOf('read-first');
  return many(PLAYERS, (player) => {
    const random = dice(seed + player);
    const own = reading ?? [0.3 * random.normal(), 0.15];
    const truth = { ...somebodyElse(random), reading: own };
    const green = { grade: 0.003 * random.normal(), speed: 0.3 * random.normal() };
    const made = many(putts, (i) => {
      // The two stations from which it breaks most.
      const place = stationPlace(layout, 2 * (i % 2));
      return logged(truth, layout, place, random, EXACT, false, green).putt;
    });
    const sessions = [session('one', 0, [{ layout, putts: made }])];
    return { share: 1 + own[0], told: tellReading(sessions)!.all, sessions };
  });
}

row('reading, 32 reads on a green that is off by 0.3 % and 1 ft', () => {
  const found = reads(5000, null, 32);
  const right = reads(6000, [0, 0.15], 32);
  return `${percent(mean(found.map(({ share, told: of }) => holds(of, share))))} covered; of those who read right, ${percent(mean(right.map(({ told: of }) => Number(of.misread))))} are told that they do not`;
});

row('16 breaks read as straight: what the headline names', () => {
  const faultless = (random: Dice): Truth => ({ ...straight(random), pace: [0, 0.08] });
  const heads = reads(7000, [-1, 0.02], 16, faultless).map(({ sessions }) => {
    const score = scoreHistory(sessions).at(-1)!;
    const { carried } = score.belief;
    const points = Object.fromEntries(
      [...SKILLS, 'reading'].map((skill) => [skill, pointsOf(carried, skill, W)]),
    ) as Parameters<typeof readMisses>[0]['points'];
    const cause = missCause(carried, ownLines(sessions), W, layoutOf('read-first').player);
    const known = { hand: 'right', school: 'arc', points, basis: score.basis } as const;
    return readMisses({ ...known, counts: NO_COUNTS, cause })[0]?.id ?? 'nothing';
  });
  const kinds = [...new Set(heads)].map((id) => ({
    id,
    share: mean(heads.map((one) => Number(one === id))),
  }));
  return kinds
    .sort((a, b) => b.share - a.share)
    .map(({ id, share }) => `${id} ${percent(share)}`)
    .join(', ');
});

row('“short of it” touched twice on the limit-line drill', () => {
  const layout = layoutOf('limit-line');
  const twice = { [idOf(layout, 'paceZone')]: 'short', [idOf(layout, 'hole')]: 'holed' };
  const refused = outcomesProblem(layout, twice);
  const scores = scoreHistory([session('one', 0, [{ layout, putts: [{ outcomes: twice }] }])]);
  const finite = scores.every(({ carried }) =>
    (SKILLS as readonly SkillName[]).every((skill) =>
      Number.isFinite(carried[skill].window.middle),
    ),
  );
  return `refused: ${refused}; one that is stored already: ${finite ? 'scored, nothing breaks' : 'breaks'}`;
});

row('zero air, one clear; a mark 1 m off the face; fast putts with a hole', () => {
  let [tried, thrown] = [0, 0];
  const attempt = (layout: Layout, putt: Putt) => {
    tried += 1;
    try {
      scoreHistory([session('one', 0, [{ layout, putts: [putt] }])]);
    } catch {
      thrown += 1;
    }
  };
  for (const [key, kind] of [
    ['putter-gate-level', 'putterGate'],
    ['box-gate', 'boxGate'],
  ] as const) {
    const closed = changed(layoutOf(key), kind, { clearance: 0 });
    attempt(closed, { outcomes: { [idOf(closed, kind)]: 'clear' } });
  }
  const face = layoutOf('marked-face');
  const mark = idOf(face, 'faceMark');
  attempt(face, { outcomes: { [mark]: 'left' }, points: { [mark]: { along: 0, across: -1 } } });
  const chalk = layoutOf('chalk-forty');
  const hole = idOf(chalk, 'hole');
  for (let greenSpeed = 1.2; greenSpeed <= 5; greenSpeed += 0.4) {
    for (let past = 0; past <= 3; past += 0.3) {
      for (const grade of [0, 0.02, 0.05]) {
        const putt = { ...chalk.putt, greenSpeed, past, slope: { grade, falls: 1 } };
        for (const outcome of ['holed', 'left', 'past', 'short']) {
          attempt({ ...chalk, putt }, { outcomes: { [hole]: outcome } });
        }
      }
    }
  }
  return `${thrown} of ${tried} throw`;
});
