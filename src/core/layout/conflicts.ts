import { BALL_DIAMETER, makeWindow } from '@/core/green';
import { finding, type Finding, type Place, type Setting } from './element';
import type { Standing } from './layout';
import { turned, type Spot } from './spot';

type Found = Finding & { element: string };

/** Room a head needs beyond the front pair of a box before anything narrower than it may stand, m. */
const FOLLOW_THROUGH = 0.1;
/** Elements nearer to each other than this stand on one spot, m. */
const SAME_SPOT = 0.01;

const apart = (a: Spot, b: Spot): number => Math.hypot(a.along - b.along, a.across - b.across);

interface Tee extends Place {
  element: Standing;
  radius: number;
}

/**
 * What cannot stand together: tees in the ball's way or in each other, a gate in the follow-through of a box, a zone
 * behind a wall, two elements on one spot.
 *
 * @param elements of one layout, on the green
 * @param setting of its putt
 */
export function conflicts(elements: Standing[], setting: Setting): Found[] {
  const tees = elements.flatMap((element) =>
    element
      .places()
      .flatMap((place): Tee[] =>
        place.tee ? [{ ...place, element, radius: place.tee.radius }] : [],
      ),
  );
  return [
    ...inEachOther(tees),
    ...inTheWay(tees, setting),
    ...inTheFollowThrough(elements, setting),
    ...behindAWall(elements),
    ...onOneSpot(elements),
    ...looserThanTheHole(elements, setting),
  ];
}

const as = (element: Standing, found: Finding): Found => ({ ...found, element: element.id });

function inEachOther(tees: Tee[]): Found[] {
  return tees.flatMap((tee, index) =>
    tees
      .slice(0, index)
      .filter((other) => other.element !== tee.element)
      .filter((other) => apart(tee.at, other.at) < tee.radius + other.radius)
      .map((other) =>
        as(
          tee.element,
          finding(
            'error',
            'distance',
            `Tee ${tee.label} would overlap tee ${other.label}: move one of the two.`,
          ),
        ),
      ),
  );
}

/** Tees that the intended putt would hit, other than one that is there to be hit. */
function inTheWay(tees: Tee[], { putt, passes, aim }: Setting): Found[] {
  return tees
    .filter(({ element }) => !element.traits.target)
    .filter(({ at }) => at.along > 0 && at.along <= putt.distance)
    .flatMap((tee) => {
      const seen = turned(tee.at, -aim.direction);
      const room = Math.abs(passes(0, seen)) - (BALL_DIAMETER / 2 + tee.radius);
      return room > -1e-6
        ? []
        : [
            as(
              tee.element,
              finding(
                'error',
                'distance',
                `Tee ${tee.label} is in the ball’s way: the intended putt hits it by {overlap}.`,
                { overlap: { metres: -room, kind: 'across' } },
              ),
            ),
          ];
    });
}

/** How far ahead the head is known to travel, m; null where nothing guides it. */
function headReach(elements: Standing[], setting: Setting): number | null {
  const guides = elements.filter(({ traits }) => traits.guidesHead);
  if (guides.length === 0) return null;
  const front = Math.max(
    0,
    ...guides.flatMap((guide) =>
      guide.places().map(({ at }) => turned(at, -setting.aim.direction).along),
    ),
  );
  const stop = elements
    .filter(({ traits }) => traits.stopsHead)
    .flatMap((stops) => stops.places().map(({ at }) => turned(at, -setting.aim.direction).along));
  return Math.max(front + FOLLOW_THROUGH, ...stop);
}

function inTheFollowThrough(elements: Standing[], setting: Setting): Found[] {
  const reach = headReach(elements, setting);
  if (reach === null) return [];
  const { headLength } = setting.player;
  return elements
    .filter(({ traits }) => traits.inHeadsWay)
    .flatMap((gate) => {
      const seen = gate.places().map(({ at }) => turned(at, -setting.aim.direction));
      const near = Math.min(...seen.map(({ along }) => along));
      const narrow = seen.some(({ across }) => Math.abs(across) < headLength / 2);
      if (near >= reach || !narrow) return [];
      return [
        as(
          gate,
          finding(
            'error',
            'distance',
            'At {gate} it is in the way of the putter’s follow-through: use {reach} or more.',
            {
              gate: { metres: near, kind: 'along' },
              reach: { metres: reach, kind: 'along' },
            },
          ),
        ),
      ];
    });
}

/** A zone that no ball reaches: a tee that stops it, or tees closer than a ball, stand before it. */
function behindAWall(elements: Standing[]): Found[] {
  const zones = elements.filter(({ traits }) => traits.counts);
  const wall = elements.find(({ stops }) => stops === 'all');
  const half = elements.find(({ stops }) => stops === 'beyond');
  return zones.flatMap((zone) => {
    if (wall) {
      return [
        as(
          zone,
          finding(
            'error',
            'depth',
            `The ${wall.name.toLowerCase()} stops the ball before it gets this far: remove one of the two.`,
          ),
        ),
      ];
    }
    if (!half || half === zone || zone.places().length === 0) return [];
    const reach = (element: Standing) => Math.max(...element.places().map(({ at }) => at.along));
    return reach(zone) > reach(half)
      ? [
          as(
            zone,
            finding(
              'error',
              'depth',
              'The zone reaches beyond the half circle of tees, which stop the ball before the end of the zone.',
            ),
          ),
        ]
      : [];
  });
}

function onOneSpot(elements: Standing[]): Found[] {
  const middles = elements
    .filter(({ traits }) => !traits.spread)
    .flatMap((element) => {
      const places = element.places();
      if (places.length === 0) return [];
      const mean = (pick: (at: Spot) => number) =>
        places.reduce((sum, { at }) => sum + pick(at), 0) / places.length;
      return [
        {
          element,
          at: { along: mean(({ along }) => along), across: mean(({ across }) => across) },
        },
      ];
    });
  return middles.flatMap(({ element, at }, index) =>
    middles
      .slice(0, index)
      .filter((other) => other.element.kind === element.kind && apart(at, other.at) < SAME_SPOT)
      .map(() =>
        as(
          element,
          finding(
            'error',
            'distance',
            `Two of these are on the same spot: move or remove this ${element.name.toLowerCase()}.`,
          ),
        ),
      ),
  );
}

/** Above so many make windows a gate proves little. */
const LOOSE = 2;

function looserThanTheHole(elements: Standing[], { putt }: Setting): Found[] {
  const gates = elements.filter(({ traits }) => traits.proves);
  if (gates.length === 0) return [];
  const { left, right } = makeWindow(putt);
  return gates.flatMap((gate) => {
    const tolerance = gate.tolerance();
    if (!tolerance || tolerance.left + tolerance.right <= LOOSE * (left + right)) return [];
    return [
      as(
        gate,
        finding(
          'warning',
          'gap',
          'This is at least twice as loose as the hole: a putt can go through and still miss by a lot.',
        ),
      ),
    ];
  });
}
