import { machine } from './machine';

interface Counted {
  putts: number;
  passed: number;
}

/** A number of putts, each once. */
const counted = (line: string) =>
  machine<{ putts: number }, Counted>({
    start: () => ({ putts: 0, passed: 0 }),
    next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
    done: (state, { putts }) => state.putts >= putts,
    words: (state, { putts }) => ({
      count: String(state.putts),
      of: `of ${putts} putts`,
      line: `${state.passed} passed${line}`,
    }),
    bare: (state) => ({ putts: state.putts }),
  });

export const putts = counted('');
export const assessment = counted(' · cold, each once');
