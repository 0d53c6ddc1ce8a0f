import { Link } from '@/ui/link';
import type { ballGateOf } from '@/core/layout';
import { scoreWords } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { Button } from '@/ui/button';
import { rungWords } from '../drills/rung-words';
import type { ScoreTold } from '../reckoning/history';
import type { BlockFacts } from './facts';

/** The session from the top: what happened, what it means, and what comes next. */
export function Story({
  blocks,
  score,
  student,
  units,
  gate,
}: {
  blocks: BlockFacts[];
  score: ScoreTold | undefined;
  student: Student;
  units: UnitPreferences;
  gate: NonNullable<ReturnType<typeof ballGateOf>> | undefined;
}) {
  const last = blocks.at(-1);
  if (!last) return null;
  const first = student.name.split(' ')[0]!;
  const putts = blocks.reduce((sum, { counts }) => sum + counts.putts, 0);
  const told = score?.basis.start ?? 0;
  const { next } = last;
  const [alone, carried] = [score?.alone.start, score?.carried.start].map(
    (one) => one && scoreWords(one, student.hand, units, gate),
  );
  return (
    <section
      aria-label="In short"
      className="flex flex-wrap items-center justify-between gap-x-8 gap-y-3 border-b-[length:var(--stroke)] border-ink bg-sheet px-4 py-4 md:px-7"
    >
      <div className="grid min-w-0 flex-1 basis-80 gap-1">
        {score && told > 0 ? (
          <p className="max-w-[66ch] text-[1.125rem]">
            On these putts alone {first} <strong>{alone}</strong>.{' '}
            {carried !== alone && (
              <span className="text-ink2">
                With all earlier sessions {first} {carried}.
              </span>
            )}
          </p>
        ) : (
          <p className="text-[1.125rem]">
            No putt of this session says anything of the start line.
          </p>
        )}
        {told > 0 && (
          <p className="text-[0.9375rem] text-ink2">
            {told} of {putts} putts say something of the start line.
          </p>
        )}
        <p className="text-[1.0625rem]">Next: {next.why}</p>
      </div>
      <Button asChild kind="primary" className="min-h-14 px-6 text-[1.0625rem] max-sm:w-full">
        <Link
          href={
            next.type === 'other'
              ? '/drills'
              : `/start?student=${student.id}&drill=${last.last.drillId}${next.rung === null ? '' : `&rung=${next.rung}`}`
          }
        >
          {next.type === 'other'
            ? 'Look for another drill'
            : next.rung === null
              ? 'The same again'
              : `Rung ${next.rung + 1}, ${rungWords(last.last.ladder[next.rung]!, units)}`}
        </Link>
      </Button>
    </section>
  );
}
