import Link from 'next/link';
import { format } from 'date-fns';
import { ballGateOf, isBuilt } from '@/core/layout';
import { endedWords, playRule, ruleGround, rulePutts, ruleWords, tallyRuns } from '@/core/drill';
import { scoreWords, type SessionScore } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import { counted, type Run, type Session, type Student } from '@/data';
import { Button } from '@/ui/button';
import { groundWords, readWords } from '../drills/ground-words';
import { rungWords } from '../drills/rung-words';
import { PlaceHead } from '../shared/place';
import { ScoreRuler } from '../students/score-ruler';
import { ScoreTable } from '../students/score-table';
import { outcomeWords, passWord, primaryOutcomes } from './outcome-words';
import { ReopenButton } from './reopen-button';
import { Strip } from './strip';

const outcomesOf = ({ putts }: Run) => counted(putts).map(({ outcomes }) => outcomes);

/** After the session: what happened, what it says, and what next. */
export function Review({
  session,
  student,
  score,
  previous,
  units,
}: {
  session: Session;
  student: Student;
  score: SessionScore | undefined;
  previous: SessionScore | undefined;
  units: UnitPreferences;
}) {
  const [run] = session.runs;
  if (!run) return null;
  const parts = session.runs.map(({ layout, putts }) => ({ layout, putts: counted(putts) }));
  const counts = tallyRuns(
    parts.map(({ layout, putts }) => ({ layout, putts: putts.map(({ outcomes }) => outcomes) })),
  );
  const progress = playRule(
    run.rule,
    run.cap,
    ruleGround(run.layout, run.ladder.length, run.rung),
    rulePutts(parts),
  );
  const gate = ballGateOf(run.layout) ?? undefined;
  const reach = score && Math.max(score.alone.window.high, score.carried.window.high);
  return (
    <>
      <PlaceHead
        title={`${student.name}, ${format(session.startedAt, 'd MMMM')}`}
        sub={`${run.drillName} · ${format(session.startedAt, 'HH:mm')} to ${session.finishedAt ? format(session.finishedAt, 'HH:mm') : 'now'}`}
      >
        <ReopenButton id={session.id} />
        <Button asChild>
          <Link href={`/start?student=${student.id}`}>Another session</Link>
        </Button>
        <Button asChild kind="primary">
          <Link href={`/students/${student.id}`}>{student.name.split(' ')[0]}’s page</Link>
        </Button>
      </PlaceHead>
      <section className="grid gap-3 border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7">
        <p className="text-[20px]">
          <strong className="text-[30px] num">{counts.clear}</strong> of {counts.putts}{' '}
          {passWord(run.layout)}
          {session.runs.length === 1 && `, ${outcomeWords(run.layout, outcomesOf(run)).join('; ')}`}
          ; best run {counts.best}.
        </p>
        {run.rule.type !== 'open' && (
          <p className="text-[17px]">
            {endedWords(progress, run.cap) ?? 'Not finished:'}{' '}
            <span className="text-ink2">
              {ruleWords(run.rule)} ({progress.words.count} {progress.words.of}
              {progress.words.line && `, ${progress.words.line}`}).
            </span>
          </p>
        )}
        {session.runs.map((one) => (
          <div key={one.id} className="grid gap-1">
            <Strip outcomes={primaryOutcomes(one.layout, outcomesOf(one))} />
            <p className="text-ink2">
              {[readWords(one.layout), groundWords(one.layout, units)].filter(Boolean).join(': ')}
              {one.rung !== null &&
                ` · rung ${one.rung + 1}, ${rungWords(one.ladder[one.rung]!, units)}`}
              {session.runs.length > 1 &&
                ` · ${outcomeWords(one.layout, outcomesOf(one)).join('; ')}`}
              {isBuilt(one.layout) && ' · scored as it was measured once it stood'}
            </p>
          </div>
        ))}
        {score && (
          <p className="max-w-[62ch] text-[17px]">
            On these putts alone {student.name.split(' ')[0]}{' '}
            <strong>{scoreWords(score.alone, student.hand, units, gate)}</strong>.{' '}
            <span className="text-ink2">
              With all earlier sessions: {scoreWords(score.carried, student.hand, units, gate)}.
            </span>
          </p>
        )}
      </section>
      {score && (
        <>
          <div className="border-b-[length:var(--stroke)] border-ink">
            <ScoreRuler
              name="This session"
              basis={`${score.putts} putts`}
              score={score.alone}
              hand={student.hand}
              layout={run.layout}
              units={units}
              reach={reach}
            />
            <div className="border-t border-hair">
              <ScoreRuler
                name="So far"
                basis="carried from all sessions to that day"
                score={score.carried}
                hand={student.hand}
                layout={run.layout}
                units={units}
                reach={reach}
              />
            </div>
          </div>
          <section className="px-4 py-5 md:px-7">
            <ScoreTable
              hand={student.hand}
              rows={[
                { name: 'This session alone', putts: score.putts, score: score.alone },
                { name: 'Carried to that day', score: score.carried },
                ...(previous
                  ? [{ name: `Before, ${format(previous.at, 'd MMM')}`, score: previous.carried }]
                  : []),
              ]}
            />
          </section>
        </>
      )}
    </>
  );
}
