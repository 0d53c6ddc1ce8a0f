import type { Metadata } from 'next';
import Link from 'next/link';
import { ballGateOf, gateTolerance, strictness, strictnessWords } from '@/core/layout';
import { showDegrees, showLength } from '@/core/units';
import { listDrills } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';

export const metadata: Metadata = { title: 'Drills' };

export default async function DrillsPage({ searchParams }: PageProps<'/drills'>) {
  const { database, owner, units } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const all = await listDrills(database, owner);
  const shown = all
    .filter(({ archivedAt }) => (archivedAt !== null) === archived)
    .flatMap((drill) => {
      const gate = ballGateOf(drill.layout);
      return gate
        ? [
            {
              drill,
              gate,
              tolerance: gateTolerance(gate),
              against: strictness(gate, drill.layout.putt),
            },
          ]
        : [];
    })
    .sort((a, b) => b.tolerance.right - a.tolerance.right);
  const widest = Math.max(...shown.map(({ tolerance }) => tolerance.right));
  const hidden = all.length - shown.length;
  return (
    <>
      <PlaceHead title={archived ? 'Archived drills' : 'Drills'} sub="from roomy to strict">
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/drills' : '/drills?archived'}>
              {archived ? 'Back to drills' : `Archived (${hidden})`}
            </Link>
          </Button>
        )}
        <Button asChild kind="primary">
          <Link href="/drills/new">Make a drill</Link>
        </Button>
      </PlaceHead>
      {shown.length === 0 ? (
        <Empty title={archived ? 'No drill is put away' : 'Set your first gate'}>
          <p>A putt, a gate and its gap: you see at once how strict it is.</p>
        </Empty>
      ) : (
        <div className="px-4 py-4 md:px-7">
          <table className="w-full text-[16px]">
            <thead>
              <tr className="border-b text-left cap">
                <th className="py-1.5 pr-4 font-[inherit]">drill</th>
                <th className="py-1.5 pr-4 font-[inherit] max-sm:hidden">putt</th>
                <th className="py-1.5 pr-4 font-[inherit]">gate</th>
                <th className="w-[24%] py-1.5 pr-4 font-[inherit] max-lg:hidden">lets through</th>
                <th className="py-1.5 pr-4 text-right font-[inherit]">tolerance</th>
                <th className="py-1.5 font-[inherit] max-md:hidden">against the hole</th>
              </tr>
            </thead>
            <tbody>
              {shown.map(({ drill, gate, tolerance, against }) => (
                <tr key={drill.id} className="border-b border-hair align-baseline">
                  <td className="py-3 pr-4">
                    <Link
                      href={`/drills/${drill.id}`}
                      className="text-[17px] font-[650] underline decoration-1 underline-offset-4"
                    >
                      {drill.name}
                    </Link>
                  </td>
                  <td className="py-3 pr-4 num whitespace-nowrap max-sm:hidden">
                    {showLength(drill.layout.putt.distance, 'putt', units)}
                  </td>
                  <td className="py-3 pr-4">
                    <span className="num">{showLength(gate.gap, 'across', units)}</span> at{' '}
                    <span className="num">{showLength(gate.distance, 'along', units)}</span>
                  </td>
                  <td className="py-3 pr-4 max-lg:hidden">
                    <span
                      className="block h-2.5 bg-line"
                      style={{ width: `${(100 * tolerance.right) / widest}%` }}
                      aria-hidden
                    />
                  </td>
                  <td className="py-3 pr-4 text-right text-[18px] num">
                    ±{showDegrees(tolerance.right)}
                  </td>
                  <td className="py-3 max-md:hidden">{strictnessWords(against).verdict}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}
