/* Loaded before a server of the tests or of the pictures: its clock runs so many milliseconds ahead. */
const shift = Number(process.env.CLOCK_SHIFT ?? 0);
const RealDate = Date;

globalThis.Date = class Date extends RealDate {
  constructor(...parts) {
    if (parts.length === 0) super(RealDate.now() + shift);
    else super(...parts);
  }
  static now() {
    return RealDate.now() + shift;
  }
  // Its own, not inherited: the server puts a wrapper round it that takes only those along.
  static parse = RealDate.parse;
  static UTC = RealDate.UTC;
  static [Symbol.hasInstance](value) {
    return value instanceof RealDate;
  }
};
