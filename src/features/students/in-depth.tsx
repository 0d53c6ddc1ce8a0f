import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { changeName, setupChanges } from '@/core/coaching';
import { makeWindow } from '@/core/green';
import { quantityOf, shownUnit } from '@/core/quantity';
import { elementOf, judge, type Layout, type Spot } from '@/core/layout';
import { showLength, toDegrees, type UnitPreferences } from '@/core/units';
import { counted, type Session, type Student } from '@/data';
import type { ScoreTold } from '../reckoning/history';
import { FacePicture } from '../session/face-picture';
import { FinishPicture } from '../session/finish-picture';
import { TrendChart } from '@/ui/trend-chart';
import { datedCards } from '../setup/read-setup';
import { basisOfAll } from './reading';
import { nameOf, ruledOf, type Ruled } from './skill-words';
import { SkillTable } from './skill-table';

/** One skill: its trend over the sessions, where putts were met or came to rest, and what every number rests on. */
export function InDepth({
  student,
  skill,
  sessions,
  scores,
  layout,
  units,
}: {
  student: Student;
  skill: Ruled;
  sessions: Session[];
  scores: ScoreTold[];
  layout: Layout;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const shown = scores.flatMap(({ smoothed, carried, alone, ...score }) => {
    const own = [smoothed[skill], carried[skill], alone[skill]];
    const putts = score.basis[skill] ?? 0;
    const [together, until, apart] = own;
    return putts > 0 && together && until && apart
      ? [{ ...score, putts, smoothed: together, carried: until, alone: apart }]
      : [];
  });
  const { si, symbol: unit } = shownUnit(quantityOf(skill).dimension);
  const times = (value: number) => value / si;
  const changes = setupChanges(datedCards(sessions), units).map((one) => ({
    at: one.at,
    label: one.changes.map(changeName).join(', '),
  }));
  const hole = makeWindow(layout.putt).right;
  const distance = showLength(layout.putt.distance, 'putt', units);
  return (
    <section
      aria-label={t('students.inDepth.details')}
      className="border-b-[length:var(--stroke)] border-ink py-5"
    >
      <nav
        aria-label={t('students.inDepth.skill')}
        className="flex flex-wrap gap-x-5 gap-y-1 px-4 text-[1.0625rem] md:px-7"
      >
        {ruledOf(basisOfAll(scores)).map((one) => (
          <Link
            key={one}
            href={`/students/${student.id}?skill=${one}`}
            scroll={false}
            aria-current={one === skill ? 'page' : undefined}
            className={
              one === skill
                ? 'border-b-[3px] border-line font-[720]'
                : 'underline decoration-1 underline-offset-4'
            }
          >
            {nameOf(one)}
          </Link>
        ))}
      </nav>
      {shown.length === 0 ? (
        <p className="px-4 py-4 text-ink2 md:px-7">{t('students.inDepth.noPuttsForThisSkill')}</p>
      ) : (
        <>
          <div className="grid grid-cols-1 gap-4 px-4 pt-4 md:px-7 lg:grid-cols-[minmax(0,1fr)_420px]">
            <div className="flex flex-col">
              <h2 className="mb-1 flex flex-wrap justify-between gap-x-4 cap">
                <span>
                  {t('students.inDepth.theWindowBySessionWith', { skill: nameOf(skill) })}
                </span>
                {skill === 'start' && (
                  <span className="text-hole">
                    {t('students.inDepth.widthOfTheHoleAt', { distance })}
                  </span>
                )}
              </h2>
              <div className="relative min-h-[290px] flex-1">
                <div className="absolute inset-0">
                  <TrendChart
                    unit={unit}
                    numbers="in-numbers"
                    marks={changes}
                    description={t('students.inDepth.windowOverSessions', { shown: shown.length })}
                    {...(skill === 'start' && {
                      level: {
                        value: toDegrees(hole),
                        label: t('students.inDepth.theHoleAt', { distance }),
                      },
                    })}
                    points={shown.map(({ at, putts, smoothed }) => ({
                      at,
                      low: times(smoothed.window.low),
                      middle: times(smoothed.window.middle),
                      high: times(smoothed.window.high),
                      note: t('students.inDepth.puttsThatDay', { putts }),
                    }))}
                  />
                </div>
              </div>
            </div>
            <Pictures skill={skill} student={student} sessions={sessions} units={units} />
          </div>
          <details id="in-numbers" className="px-4 pt-4 md:px-7">
            <summary className="cursor-pointer text-[1rem] num">
              {t('students.inDepth.allSessionsInNumbers')}
            </summary>
            <div className="mt-3">
              <SkillTable
                skill={skill}
                hand={student.hand}
                rows={shown.toReversed().flatMap(({ id, at, putts, alone, carried }) => {
                  const name = format(at, 'd MMM yyyy, HH:mm');
                  return [
                    {
                      name: t('students.inDepth.withEarlierSessions', { name }),
                      href: null,
                      score: carried,
                    },
                    {
                      name: t('students.inDepth.thisSessionAlone', { name }),
                      href: `/sessions/${id}/review`,
                      putts,
                      score: alone,
                    },
                  ];
                })}
              />
            </div>
          </details>
        </>
      )}
    </section>
  );
}

/** Putts shown on a picture at most: the latest. */
const SHOWN = 60;

/** Where on the face putts were met, or where they came to rest; for the other skills how gates were cleared, by gap. */
function Pictures({
  skill,
  student,
  sessions,
  units,
}: {
  skill: Ruled;
  student: Student;
  sessions: Session[];
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const runs = sessions.flatMap((session) => session.runs);
  if (skill === 'strike' || skill === 'pace') {
    const pointed = ({ elements }: Layout) =>
      elements.find(({ kind }) => {
        const { trains, pointing, traits } = elementOf(kind);
        return trains === skill && pointing && traits?.counts !== 'hole';
      });
    const with_ = runs.filter(({ layout }) => pointed(layout));
    const [latest] = with_;
    if (!latest) return null;
    // Rests are shown on the drill last putted; marks on the face from all of them.
    const same =
      skill === 'strike' ? with_ : with_.filter(({ drillId }) => drillId === latest.drillId);
    const marks = same
      .flatMap(({ layout, putts }) => {
        const id = pointed(layout)!.id;
        const passes = judge(layout);
        return counted(putts).flatMap(({ points, outcomes }): { spot: Spot; passes: boolean }[] =>
          points[id] ? [{ spot: points[id], passes: passes(outcomes) === true }] : [],
        );
      })
      .slice(0, SHOWN);
    if (marks.length === 0) return null;
    return skill === 'strike' ? (
      <div>
        <h2 className="mb-1 cap">
          {t('students.inDepth.theLastMarksOnThe', { marks: marks.length })}
        </h2>
        <FacePicture
          player={{ ...latest.layout.player, hand: student.hand }}
          middle={null}
          marks={marks}
          className="h-[200px]"
        />
      </div>
    ) : (
      <div>
        <h2 className="mb-1 cap">
          {t('students.inDepth.whereTheLastPuttsCame', {
            drillName: latest.drillName,
            marks: marks.length,
          })}
        </h2>
        <FinishPicture layout={latest.layout} units={units} rests={marks} className="h-[250px]" />
      </div>
    );
  }
  return <ClearByGap sessions={sessions} units={units} />;
}

/** How many of a hundred cleared each ball gate, by its gap at its distance. */
function ClearByGap({ sessions, units }: { sessions: Session[]; units: UnitPreferences }) {
  const t = useTranslations();
  const gates = new Map<string, { gap: number; distance: number; clear: number; of: number }>();
  for (const { layout, putts } of sessions.flatMap(({ runs }) => runs)) {
    for (const piece of layout.elements) {
      const gate = elementOf(piece.kind).gate?.(piece.params);
      if (!gate) continue;
      const { gap, distance } = gate;
      const key = `${gap} ${distance}`;
      const known = gates.get(key) ?? { gap, distance, clear: 0, of: 0 };
      for (const { outcomes } of counted(putts)) {
        known.of += 1;
        known.clear += Number(outcomes[piece.id] === 'clear');
      }
      gates.set(key, known);
    }
  }
  const rows = [...gates.values()].sort((a, b) => a.distance - b.distance || b.gap - a.gap);
  if (rows.length === 0) return null;
  return (
    <div>
      <h2 className="mb-1 cap">{t('students.inDepth.passRateByGate')}</h2>
      <table className="w-full text-[1rem]">
        <caption className="sr-only">{t('students.inDepth.passRateByGate')}</caption>
        <tbody>
          {rows.map(({ gap, distance, clear, of }) => (
            <tr key={`${gap} ${distance}`} className="border-b border-hair">
              <td className="py-1.5 pr-3 whitespace-nowrap">
                {t('students.inDepth.at', {
                  gap: showLength(gap, 'across', units),
                  distance: showLength(distance, 'along', units),
                })}
              </td>
              <td className="w-full py-1.5">
                <span
                  aria-hidden
                  className="block h-2.5 bg-ink"
                  style={{ width: `${(100 * clear) / of}%` }}
                />
              </td>
              <td className="py-1.5 pl-3 text-right num whitespace-nowrap">
                {t('students.inDepth.of', { clear, of })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
