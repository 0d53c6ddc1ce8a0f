import type { Hand } from '@/core/people';
import { biasIntervalWords, biasWords, type Estimate, type Score } from '@/core/scoring';
import { showDegrees } from '@/core/units';

const Angle = ({ low, middle, high }: Estimate) => (
  <>
    <span className="num">{showDegrees(middle)}</span>{' '}
    <span className="text-sm whitespace-nowrap text-ink2">
      {showDegrees(low)} to {showDegrees(high)}
    </span>
  </>
);

/** Scores below each other, every number with the interval that holds it eight times in ten. */
export function ScoreTable({
  hand,
  rows,
}: {
  hand: Hand;
  rows: { name: string; putts?: number; score: Score }[];
}) {
  return (
    <div className="overflow-x-auto" role="group" aria-label="Scores in numbers" tabIndex={0}>
      <table className="w-full max-w-4xl min-w-[600px] text-[15px]">
        <caption className="pb-1 text-left cap">
          Start line; after each number the interval that holds it with 80 %
        </caption>
        <thead>
          <tr className="border-b text-left cap">
            <th className="py-1.5 pr-4 font-[inherit]">from</th>
            <th className="py-1.5 pr-4 text-right font-[inherit]">putts</th>
            <th className="py-1.5 pr-4 font-[inherit]">eight-in-ten window</th>
            <th className="py-1.5 pr-4 font-[inherit]">bias</th>
            <th className="py-1.5 font-[inherit]">spread</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, putts, score }) => (
            <tr key={name} className="border-b border-hair align-baseline">
              <td className="py-1.5 pr-4">{name}</td>
              <td className="py-1.5 pr-4 text-right num">{putts ?? ''}</td>
              <td className="py-1.5 pr-4">
                ±<Angle {...score.window} />
              </td>
              <td className="py-1.5 pr-4">
                <span className="num">{biasWords(score.bias.middle, hand)}</span>{' '}
                <span className="text-sm whitespace-nowrap text-ink2">
                  {biasIntervalWords(score.bias, hand)}
                </span>
              </td>
              <td className="py-1.5">
                <Angle {...score.spread} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
