import { useTranslations } from 'next-intl';
import { tallyRuns } from '@/core/drill';
import { KIT } from '@/core/people';
import type { UnitPreferences } from '@/core/units';
import { counted, type Session } from '@/data';
import { SmallLine } from '@/ui/measured-line/small-line';
import type { DrillSummary } from '../drills/summary';

/** The drill that is about to be started: its drawing, what it trains, what it takes, and how this student has done on it. */
export function DrillPreview({
  drill,
  sessions,
  given,
  units,
}: {
  drill: DrillSummary;
  /** The student's sessions; empty where no student is chosen. */
  sessions: readonly Session[];
  given: string | null;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const runs = sessions.flatMap((session) =>
    session.runs.filter(({ drillId, putts }) => drillId === drill.id && putts.length > 0),
  );
  const { clear, seen } = tallyRuns(
    runs.map(({ layout, putts }) => ({
      layout,
      putts: counted(putts).map(({ outcomes }) => outcomes),
    })),
  );
  const facts: [name: string, value: string][] = [
    [t('session.drillPreview.setUp'), drill.stands],
    [t('session.drillPreview.kit'), drill.kit.map((item) => KIT[item].many).join(', ') || 'none'],
    [t('session.drillPreview.time'), t('session.drillPreview.min', { minutes: drill.minutes })],
  ];
  if (given)
    facts.push([
      given,
      seen > 0 ? `passed ${clear} of ${seen} putts` : 'no putts on this drill yet',
    ]);
  return (
    <section
      aria-label={t('session.drillPreview.chosenDrill')}
      className="grid content-start gap-3"
    >
      <h2 className="text-[1.25rem] num">{drill.name}</h2>
      <SmallLine
        id="chosen"
        marks={drill.marks}
        units={units}
        className="h-[220px] w-full border border-rule bg-sheet"
      />
      <p className="max-w-prose text-[1.0625rem]">{drill.purpose}</p>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-5 gap-y-1.5 text-[1rem]">
        {facts.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-ink2">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
