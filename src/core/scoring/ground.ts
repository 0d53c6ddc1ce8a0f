import { PUTT_RANGE, type Putt as GreenPutt } from '@/core/green';
import {
  isMeasured,
  layoutAt,
  settingOf,
  spotKey,
  startOfReading,
  standing,
  type Layout,
  type PuttPlace,
  type Spot,
  type Standing,
} from '@/core/layout';
import { quantityOf } from '@/core/quantity';
import { placedEvidence, pointedEvidence, type Placed } from './evidence';
import type { Mount } from './terms';

/** Who or what reads: an instrument by its name, or somebody's eye at an element. */
export interface Reader {
  by: string;
  eye: boolean;
}

/** One layout at one spot, with what is known of its elements. */
export interface Ground {
  elements: Standing[];
  paceOf(past: number): number;
  said(element: Standing, outcome: string): Placed;
  /** What a spot says of quantities that no gate tests; null where it says nothing of them. */
  pointed(element: Standing, spot: Spot): Placed | null;
  standOf(element: Standing): number;
  putt: GreenPutt;
  /** How far right a ball starts, rad, for each whole break that is read too much; null where the line can be seen. */
  startOfReading: number | null;
  /** How an instrument stands that reads a quantity, after so many putts that it has read from there. */
  mountOf(from: Reader, quantity: string, before: number): Mount;
}

/** How an instrument that reads a quantity is named among those of some findings. */
const mountKey = (instrument: string, quantity: string): string =>
  JSON.stringify([instrument, quantity]);
export const fromMountKey = (key: string): [instrument: string, quantity: string] =>
  JSON.parse(key) as [string, string];

/** What is not known of how an instrument stands: shared by all its set-ups, and of each by itself. */
export const LASTING = 0.9;
const ANEW = Math.sqrt(1 - LASTING ** 2);

/** An instrument may be knocked while it stands: so many putts on, it has turned by this share of how far off it may be. */
const STEP = { putts: 20, share: 0.15, most: 6 } as const;

/** How near two spots have to lie that were told by touching a picture to be taken as one, m and rad. */
const ALIKE = { distance: 0.05, bearing: 0.05 } as const;

/** A place as it is scored: one that was touched on a picture is not known to the last centimetre. */
function roughly(place: PuttPlace): PuttPlace {
  if (place.again === 0 || !place.spot) return place;
  const to = (value: number, step: number) => Math.round(value / step) * step;
  const distance = Math.max(PUTT_RANGE.min, to(place.spot.distance, ALIKE.distance));
  return { ...place, spot: { distance, bearing: to(place.spot.bearing, ALIKE.bearing) } };
}

const UNKNOWN_PLACE = 'No spot was recorded, so there is nothing to learn about the player.';

/** What the putts of some runs share: how their elements and instruments really stood, which nobody knows. */
export class Stands {
  /** Whether the opening of each was measured once it stood. */
  readonly stands: { measured: boolean }[] = [];
  /** Instruments and what each read: how one stands lasts. */
  readonly mounts: string[] = [];
  private indices = new Map<string, number>();

  /** Which stand has a name, from 0; a new one when none has. */
  private named(name: string, measured: () => boolean): number {
    const found = this.indices.get(name);
    if (found !== undefined) return found;
    this.indices.set(name, this.stands.length);
    return this.stands.push({ measured: measured() }) - 1;
  }

  /**
   * The grounds of a layout, each spot once.
   *
   * @param layout as it was set up
   * @param name of the set-up: what is set up once stands as it stood
   * @returns the ground of a place, of the layout's own where none is given; its RangeError says which place nobody knows
   */
  groundsOf(layout: Layout, name: string): (place?: PuttPlace) => Ground {
    const grounds = new Map<string, Ground>();
    return (exact) => {
      const place = exact && roughly(exact);
      const key = place ? spotKey(place) : 'own';
      const ground = grounds.get(key) ?? this.groundAt(layout, place, name, key);
      grounds.set(key, ground);
      return ground;
    };
  }

  private groundAt(
    layout: Layout,
    place: PuttPlace | undefined,
    name: string,
    key: string,
  ): Ground {
    const there = place ? layoutAt(layout, place) : layout;
    if (!there) throw new RangeError(UNKNOWN_PLACE);
    return {
      elements: standing(there),
      putt: there.putt,
      startOfReading: startOfReading(there),
      paceOf: settingOf(there.putt, there.player).paceOf,
      said: (element, outcome) => placedEvidence(there, element, outcome),
      pointed: (element, spot) => pointedEvidence(there, element, spot),
      standOf: (element) => {
        // How far off the green is, all reads on it share, from wherever they are made.
        if (element.traits.asksRead) return this.named(`${name} green`, () => true);
        const piece = there.elements.find(({ id }) => id === element.id)!;
        return this.named(`${name} ${key} ${JSON.stringify(piece)}`, () =>
          isMeasured(element, piece),
        );
      },
      mountOf: (instrument, quantity, before) => this.mountOf(instrument, quantity, name, before),
    };
  }

  private mountOf({ by, eye }: Reader, quantity: string, name: string, before: number): Mount {
    const { mount: stands, look = stands, standsAs = quantity } = quantityOf(quantity).instrument;
    const [instrument, mount] = [by, eye ? look : stands];
    // Who looks at one thing says nothing of how an instrument would stand.
    const lasting = mountKey(instrument, eye ? quantity : standsAs);
    if (!this.mounts.includes(lasting)) this.mounts.push(lasting);
    const named = (what: string) => this.named(`${name} ${what}`, () => true);
    const steps = Math.min(Math.floor(before / STEP.putts), STEP.most);
    return {
      instrument: this.mounts.indexOf(lasting),
      by: LASTING * mount,
      stands: [
        { stand: named(`stand ${lasting}`), by: ANEW * mount },
        ...Array.from({ length: steps }, (_, step) => ({
          stand: named(`step ${step} ${lasting}`),
          by: STEP.share * mount,
        })),
      ],
      errors: named(`errors ${mountKey(instrument, quantity)}`),
    };
  }
}
