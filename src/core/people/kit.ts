import { z } from 'zod';

/** A thing that drills are built with. */
export interface KitThing {
  one: string;
  many: string;
  /** What serves where it is missing. */
  instead?: string;
}

/** Everything a drill can ask for. */
export const KIT = {
  tee: { one: 'tee', many: 'tees', instead: 'ball sleeves or books stood on edge' },
  coin: { one: 'coin', many: 'coins', instead: 'a flat ball marker' },
  marker: { one: 'ball marker', many: 'ball markers', instead: 'a coin' },
  tape: { one: 'measuring tape', many: 'measuring tapes', instead: 'putter lengths' },
  rod: { one: 'alignment stick', many: 'alignment sticks', instead: 'a club laid on the ground' },
  string: { one: 'string on two skewers', many: 'strings on skewers', instead: 'a chalk line' },
  chalk: { one: 'chalk line', many: 'chalk lines', instead: 'a string laid on the ground' },
  book: { one: 'book', many: 'books', instead: 'a folded towel' },
  sleeve: { one: 'ball sleeve', many: 'ball sleeves', instead: 'a book' },
  mirror: { one: 'putting mirror', many: 'putting mirrors', instead: 'a straight club shaft' },
  board: { one: 'tilted board', many: 'tilted boards' },
  cushion: { one: 'balance cushion', many: 'balance cushions' },
  wedge: { one: 'wedge', many: 'wedges' },
  heavyBall: { one: 'heavy ball', many: 'heavy balls' },
  pen: { one: 'marking pen', many: 'marking pens' },
  blindfold: { one: 'cap over the eyes', many: 'caps over the eyes' },
} as const satisfies Record<string, KitThing>;

export type KitId = keyof typeof KIT;

export const KIT_IDS = Object.keys(KIT) as [KitId, ...KitId[]];

export const kitSchema = z.array(z.enum(KIT_IDS)).max(KIT_IDS.length);

/** What nearly every bag holds. */
export const COMMON_KIT: KitId[] = ['tee', 'coin', 'marker', 'tape'];

/** So many of a thing: "2 tees". */
export const kitWords = (item: KitId, count: number): string =>
  `${count} ${count === 1 ? KIT[item].one : KIT[item].many}`;
