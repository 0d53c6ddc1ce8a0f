import { libraryDrill } from '@/core/drill';
import { layoutAt, standing, stationPlace, type Layout } from '@/core/layout';
import { DEFAULT_FACE_SHARE, findingsOf } from '@/core/scoring';
import { model } from '@/core/scoring/likelihood';
import { parametersOf } from './player/known';
import { dice, putt, strike, type Piece, type Truth } from './player/player';

/**
 * How likely the model thinks each outcome of an element against how often a player that shares no code with it comes to
 * it. A putt that is told as two things, or as none, shows here.
 */
const PUTTS = 3000;
/** Four standard deviations of a share counted so often, and 1.5 points for windows taken in slices of pace. */
const allowed = (share: number): number =>
  4 * Math.sqrt((share * (1 - share)) / PUTTS + 1e-5) + 0.015;

const player: Truth = {
  face: [0.006, 0.017],
  path: [-0.03, 0.03],
  strike: [0.002, 0.006],
  pace: [-0.03, 0.12],
  height: [0.002, 0.004],
  faceShare: DEFAULT_FACE_SHARE,
};
/** One who dies at the hole, where what is short and what is past lie nearest. */
const dying: Truth = { ...player, pace: [-0.133, 0.01] };
/** The same from thirty feet. */
const far: Truth = { ...player, pace: [-0.047, 0.02] };
/** One who marks the corners of the face. */
const cornered: Truth = { ...player, strike: [0.008, 0.005], height: [0.006, 0.004] };

/** Shares of the outcomes of one element, as the model has them and as they were counted. */
function shares(layout: Layout, kind: string, truth: Truth) {
  const element = standing(layout).find((one) => one.kind === kind)!;
  const { distance, greenSpeed, past, slope } = layout.putt;
  const random = dice(77);
  const counts = new Map<string, number>();
  for (let made = 0; made < PUTTS; made++) {
    const { outcomes } = putt(
      strike(truth, random),
      layout.elements as Piece[],
      { distance, greenSpeed, past, ...slope },
      layout.player,
    );
    const met = outcomes[element.id]!;
    counts.set(met, (counts.get(met) ?? 0) + 1);
  }
  return [...counts].map(([outcome, count]) => {
    const found = findingsOf([{ layout, putts: [{ outcomes: { [element.id]: outcome } }] }]);
    const { ready, chance, size } = model(DEFAULT_FACE_SHARE, found.stands.length);
    const thought = chance(ready(found.cells[0]!), parametersOf(truth, size));
    return { outcome, thought, counted: count / PUTTS };
  });
}

const at = (key: string, station = 0): Layout => {
  const { layout } = libraryDrill(key)!;
  return layoutAt(layout, stationPlace(layout, station))!;
};

it.each([
  ['a hole ten feet away', at('chalk-forty'), 'hole', player],
  ['a hole at which every ball dies', at('chalk-forty'), 'hole', dying],
  ['a hole uphill, third of four round it', at('four-round', 2), 'hole', player],
  ['a hole across the slope, second of four', at('four-round', 1), 'hole', player],
  ['a limit beyond the hole', at('limit-line'), 'paceZone', player],
  ['a hole at which balls die, thirty feet away', at('limit-line'), 'paceZone', far],
  ['a gate on a straight putt', at('straight-gate'), 'ballGate', player],
  ['a gate on a putt that breaks', at('breaking-start-gate'), 'ballGate', player],
  ['a gate for the head', at('putter-gate-level'), 'putterGate', player],
  ['four tees for the head', at('box-gate'), 'boxGate', player],
  ['a mark on the face', at('marked-face'), 'faceMark', player],
  ['marks in the corner of the face', at('marked-face'), 'faceMark', cornered],
])('the model counts on what happens at %s', (_name, layout, kind, truth) => {
  const found = shares(layout, kind, truth);
  expect(found.length).toBeGreaterThan(1);
  expect(
    found.filter(({ thought, counted }) => Math.abs(thought - counted) > allowed(counted)),
  ).toEqual([]);
});
