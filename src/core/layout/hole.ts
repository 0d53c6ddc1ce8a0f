import { z } from 'zod';
import { isLevel } from '@/core/green';
import { ANY, cupOf, rolled, type Slice } from './cup';
import { defineElement, type Evidence, type Interval, type Outcome, type Setting } from './element';
import { REST_WITHIN, restOfLaunch, restSays } from './rest';
import { turned, type Spot } from './spot';

const schema = z.object({});

/** Where a ball came to rest, seen from the hole along the line from the ball: beyond it and right of it, m. */
function fromHole(spot: Spot, { hole, aim }: Setting): { past: number; aside: number } {
  const { along, across } = turned(
    { along: spot.along - hole.along, across: spot.across - hole.across },
    aim.direction,
  );
  return { past: along, aside: across };
}

/** Beyond the hole or level with it the ball passed it: on which side is where it lies of the way it arrives. */
function outcomeAt(spot: Spot, setting: Setting): string {
  const { past, aside } = fromHole(spot, setting);
  if (past < 0) return 'short';
  const { arrivalDirection: way } = setting.aim;
  return aside * Math.cos(way) - past * Math.sin(way) > 0 ? 'right' : 'left';
}

/** Start directions of a slice that end so. */
function startsOf(outcome: string, { drops, touches, middle, hangs }: Slice): Interval[] {
  const [left, right] = drops ?? [middle, middle];
  const missed: Interval[] = [
    [-Infinity, left],
    [right, Infinity],
  ];
  switch (outcome) {
    case 'holed':
      return drops ? [drops] : [];
    case 'lip':
      return [
        [touches[0], left],
        [right, touches[1]],
      ];
    case 'short':
      return hangs ? missed : [];
    case 'left':
      return hangs ? [] : [missed[0]!];
    case 'right':
      return hangs ? [] : [missed[1]!];
    default:
      return hangs ? [] : missed;
  }
}

/**
 * What a hole's outcome says of start and pace together. Of one putt holed, short, left and right leave nothing out and
 * have nothing in common, whatever the pace: a ball told as two things would draw a player's pace to where it is.
 */
function evidence(outcome: string, setting: Setting): Evidence[] {
  const cup = cupOf(setting);
  const first = cup[0];
  if (!first) return [];
  const areas: { start: Interval; pace: Interval }[] = cup.flatMap((slice) =>
    startsOf(outcome, slice)
      .filter(([lower, upper]) => lower < upper)
      .map((start) => ({ start, pace: slice.pace })),
  );
  if (outcome === 'short') areas.unshift({ start: ANY, pace: [-Infinity, first.pace[0]] });
  return areas.length > 0 ? [{ quantity: 'roll', areas }] : [];
}

/** On a slope the sides have names: high is where the ball would have come down to the hole from. */
function sideWords(side: 'left' | 'right', { putt }: Setting): string {
  if (isLevel(putt)) return 'past the hole';
  const down = Math.sin(putt.slope.falls);
  if (Math.abs(down) < 0.2) return 'past the hole';
  return (side === 'right') === down > 0 ? 'past, low side' : 'past, high side';
}

/** The hole itself, when it counts. */
export const hole = defineElement({
  kind: 'hole',
  name: 'Hole',
  about: 'Records whether the putt was holed, for pressure and for putts that count.',
  trains: 'pace',
  traits: { counts: 'hole' },
  schema,
  fields: [],
  defaults: () => ({}),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: (_params, setting) => {
    const missed = { passes: false, at: null } as const;
    const side = (id: 'left' | 'right', label: string): Outcome => ({
      id,
      label,
      detail: sideWords(id, setting),
      side: id,
      ...missed,
      ends: ['past'],
    });
    return [
      {
        id: 'holed',
        label: 'Holed',
        detail: 'in',
        side: 'middle',
        passes: true,
        at: setting.hole,
        ends: ['holed'],
      },
      side('left', 'Missed left'),
      side('right', 'Missed right'),
      { id: 'short', label: 'Short', detail: '', side: 'middle', ...missed, ends: ['short'] },
      {
        id: 'lip',
        label: 'Lipped out',
        detail: 'off the rim',
        side: 'middle',
        ...missed,
        ends: ['past', 'short'],
      },
      {
        id: 'past',
        label: 'Past',
        detail: 'side not seen',
        side: 'middle',
        ...missed,
        ends: ['past'],
      },
    ];
  },
  evidence: (outcome, _params, setting) => evidence(outcome, setting),
  pointing: {
    on: 'green',
    outcome: (spot, _params, setting) => outcomeAt(spot, setting),
    also: ['lip', 'past'],
    says: (spot, _params, setting) => restSays(spot, setting),
    within: () => REST_WITHIN,
    spotOf: restOfLaunch,
  },
  meets: (launch, _params, setting) => {
    const { result, side } = rolled(setting, launch);
    if (result === 'holed' || result === 'short') return result;
    return side === 'left' ? 'left' : 'right';
  },
  draw: () => [],
  kit: () => [],
  cautions: () => [],
});
