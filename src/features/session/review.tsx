import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { differenceInHours } from 'date-fns';
import { format } from '@/ui/when';
import { whatIsNew, type Trial } from '@/core/coaching';
import { paceOfPlay, ruleTraits } from '@/core/drill';
import {
  isBuilt,
  judge,
  layoutAt,
  spotKey,
  standing,
  tallyMarks,
  type PuttPlace,
} from '@/core/layout';
import { KIT, type KitId } from '@/core/people';
import { findingsOf } from '@/core/scoring';
import type { UnitPreferences } from '@/core/units';
import {
  CORRECTABLE,
  counted,
  toLoggedRuns,
  type Putt,
  type Run,
  type Session,
  type Student,
} from '@/data';
import { Button } from '@/ui/button';
import { greenWords } from '../drills/ground-words';
import { LayoutDrawing } from '../drills/layout-drawing';
import { rungWords } from '../drills/rung-words';
import { Story } from './review-story';
import { RunPhotos } from '../photo/run-photos';
import { PlaceHead } from '../shared/place';
import { ZoneNote } from '../shared/zone-note';
import { SkillRuler, sharedReach } from '../students/skill-ruler';
import { SkillTable } from '../students/skill-table';
import { nameOf } from '../students/skill-words';
import { Trials } from '../setup/trials';
import { FacePicture } from './face-picture';
import { blockFacts, factsBefore, type BlockFacts } from './facts';
import { FinishPicture } from './finish-picture';
import { otherOutcomes, outcomeWords, passWord, stripMarks } from './outcome-words';
import { RuleEnd } from './rule-end';
import { GoOnButton } from './go-on-button';
import type { PlayerRun } from './play';
import { ReopenButton } from './reopen-button';
import { byManner, byPlace, type Counted } from './by-place';
import { PracticeButton } from './practice-button';
import { ReviewPutts } from './review-putts';
import { SessionNote } from './session-note';
import { Strip } from './strip';
import { toWire } from './to-wire';
import type { ReviewRead } from './read-review';
import { trainedIn } from './trained';

const outcomesOf = ({ putts }: Run) => counted(putts).map(({ outcomes }) => outcomes);

/** After the session: what happened, what it says, and what next. */
export function Review({
  session,
  others,
  student,
  read,
  plan,
  units,
  now,
  mayNote,
  trials,
  zone,
}: {
  session: Session;
  /** Whose clock the times are shown by. */
  zone: string;
  /** Whether who looks may see and write what coaches note for themselves. */
  mayNote: boolean;
  /** Sessions of the same group. */
  others: { id: string; name: string }[];
  student: Student;
  read: ReviewRead;
  /** Where it stopped in the plan that it followed; null where it followed none. */
  plan: PlayerRun['plan'];
  units: UnitPreferences;
  now: Date;
  /** What was compared in this session, over all in which it was. */
  trials: Trial[];
}) {
  const t = useTranslations();
  const blocks = blockFacts(session);
  const fresh =
    session.finishedAt !== null && differenceInHours(now, session.finishedAt) < CORRECTABLE;
  const run = blocks.at(-1)?.last;
  const { sessions, score, changes } = read;
  const skills = trainedIn(session.runs, score?.basis);
  const first = student.name.split(' ')[0]!;
  return (
    <>
      <PlaceHead
        title={`${student.name}, ${format(session.startedAt, 'd MMMM')}`}
        sub={
          <>
            {t('session.review.to', {
              start: format(session.startedAt, 'HH:mm'),
              finished: String(!!session.finishedAt),
              end: session.finishedAt ? format(session.finishedAt, 'HH:mm') : '',
            })}
            <ZoneNote zone={zone} /> · {blocks.map(({ last }) => last.drillName).join(', ')}
          </>
        }
      >
        {fresh && <ReopenButton id={session.id} />}
        <Button asChild>
          <a href={`/records/export/file?session=${session.id}`} download>
            {t('session.review.downloadTables')}
          </a>
        </Button>
        <Button asChild>
          <Link href={`/start?student=${student.id}`}>{t('session.review.newSession')}</Link>
        </Button>
        <Button asChild>
          <Link href={`/students/${student.id}`}>{t('session.review.sRecord', { first })}</Link>
        </Button>
      </PlaceHead>
      {others.length > 0 && (
        <nav
          aria-label={t('session.review.othersInTheGroup')}
          className="flex flex-wrap gap-x-4 gap-y-1 border-b border-rule px-4 py-2.5 text-[1rem] md:px-7"
        >
          {t('session.review.puttedWith')}
          {others.map(({ id, name }) => (
            <Link key={id} href={`/sessions/${id}/review`} className="underline underline-offset-4">
              {name}
            </Link>
          ))}
          {session.groupId && (
            <a
              href={`/records/export/file?group=${session.groupId}`}
              download
              className="ml-auto underline underline-offset-4"
            >
              {t('session.review.downloadGroupTables')}
            </a>
          )}
        </nav>
      )}
      {plan?.next && (
        <section
          aria-label={t('session.review.remainingInThePlan')}
          className="flex flex-wrap items-center justify-between gap-x-8 gap-y-3 border-b border-rule px-4 py-3 md:px-7"
        >
          <p className="text-[1.0625rem]">
            {t('session.review.ofPartsDone', { index: plan.index + 1, count: plan.count })}
            {!fresh && t('session.review.youCanAddTheRest', { hours: CORRECTABLE })}
          </p>
          {fresh && <GoOnButton id={session.id} next={plan.next} />}
        </section>
      )}
      <Story blocks={blocks} skills={skills} read={read} student={student} units={units} />
      {blocks.map((block) => (
        <Going
          key={block.runs[0]!.id}
          block={block}
          news={whatIsNew(block.facts, factsBefore(sessions, session, block.last))}
          units={units}
          fresh={fresh}
        />
      ))}
      <RunPhotos runIds={session.runs.map(({ id }) => id)} />
      {trials.length > 0 && (
        <section
          aria-label={t('session.review.trial')}
          className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
        >
          <h2 className="mb-2 text-[1.25rem] num">{t('session.review.trialAllSessions')}</h2>
          <Trials trials={trials} />
        </section>
      )}
      {mayNote && (
        <section
          aria-label={t('session.review.coachsNote')}
          className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
        >
          <SessionNote sessionId={session.id} note={session.note} />
        </section>
      )}
      {score &&
        run &&
        skills.map((skill) => {
          const [alone, carried] = [score.alone[skill], score.carried[skill]];
          const putts = score.basis[skill] ?? 0;
          if (putts === 0 || !alone || !carried) return null;
          const before = changes[skill]?.before;
          const ruler = {
            ...{ skill, hand: student.hand },
            reach: sharedReach([
              [skill, alone],
              [skill, carried],
            ]),
          };
          return (
            <section
              key={skill}
              aria-label={nameOf(skill)}
              className="border-b-[length:var(--stroke)] border-ink"
            >
              <SkillRuler
                {...ruler}
                name={`${nameOf(skill)}, this session`}
                score={alone}
                putts={putts}
                change={null}
              />
              <div className="border-t border-hair">
                <SkillRuler
                  {...ruler}
                  name={`${nameOf(skill)}, all sessions`}
                  score={carried}
                  putts={read.putts[skill] ?? putts}
                  change={changes[skill]?.change ?? null}
                />
              </div>
              <div className="px-4 py-5 md:px-7">
                <SkillTable
                  skill={skill}
                  hand={student.hand}
                  rows={[
                    { name: t('session.review.thisSessionOnly'), putts, score: alone },
                    { name: t('session.review.allSessionsToDate'), score: carried },
                    ...(before?.carried[skill]
                      ? [
                          {
                            name: t('session.review.before', { date: format(before.at, 'd MMM') }),
                            score: before.carried[skill],
                          },
                        ]
                      : []),
                  ]}
                />
              </div>
            </section>
          );
        })}
    </>
  );
}

/** One going at a drill: what happened, on the drawing and in words, what is new and what next. */
function Going({
  block,
  news,
  units,
  fresh,
}: {
  block: BlockFacts;
  news: string[];
  units: UnitPreferences;
  /** Its putts may still be corrected. */
  fresh: boolean;
}) {
  const t = useTranslations();
  const { runs, last, counts, progress, course } = block;
  const putts = runs.flatMap((run) => counted(run.putts));
  const pace = paceOfPlay(
    putts.map(({ at }) => at),
    course.pauses,
  );
  const missing = Object.entries(course.missing ?? {});
  return (
    <section
      aria-label={last.drillName}
      className="grid grid-cols-1 border-b-[length:var(--stroke)] border-ink lg:grid-cols-[minmax(0,1fr)_420px]"
    >
      <div className="grid content-start gap-3 px-4 py-5 md:px-7 lg:order-2 lg:border-l lg:border-rule">
        <h2 className="text-[1.25rem] num">
          {last.drillName}
          {last.cold && <span className="text-ink2">{t('session.review.coldTest')}</span>}
        </h2>
        <p className="text-[1.125rem]">
          {t.rich('session.review.of', {
            clear: counts.clear,
            seen: counts.seen,
            passWord: passWord(last.layout),
            strong: (chunks) => <strong className="text-[1.875rem] num">{chunks}</strong>,
          })}
          {runs.length === 1 && otherOutcomes(t, last.layout, outcomesOf(last), counts.clear)}
          {t('session.review.longestStreak', { best: counts.best })}
        </p>
        {!ruleTraits(last.rule).free && <RuleEnd progress={progress} last={last} />}
        {news.length > 0 && (
          <ul className="grid gap-0.5 text-[1rem] font-[620]">
            {news.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
        {missing.length > 0 && (
          <p role="alert" className="border-l-[3px] border-warn pl-3 text-[1rem]">
            {t('session.review.stillOutOnTheGreen', {
              missing: missing
                .map(
                  ([item, count]) => `${count} ${KIT[item as KitId][count === 1 ? 'one' : 'many']}`,
                )
                .join(', '),
              missing2: String(missing.length === 1 && missing[0]![1] === 1),
            })}
          </p>
        )}
        <p className="text-sm text-ink2">
          {pace === null ? '' : t('session.review.sPerPutt', { pace: Math.round(pace) })}
          {course.pauses.length > 0 &&
            t('session.review.pausedOnce', { pauses: course.pauses.length })}
        </p>
      </div>
      <div className="min-w-0 divide-y divide-rule overflow-hidden lg:order-1">
        {runs.map((run) => (
          <RunPicture
            key={run.id}
            run={run}
            several={runs.length > 1}
            units={units}
            fresh={fresh}
          />
        ))}
      </div>
    </section>
  );
}

function RunPicture({
  run,
  several,
  units,
  fresh,
}: {
  run: Run;
  several: boolean;
  units: UnitPreferences;
  fresh: boolean;
}) {
  const t = useTranslations();
  const { layout, rung } = run;
  const outcomes = outcomesOf(run);
  const passes = judge(layout);
  const { unscored } = findingsOf(toLoggedRuns([run], { others: true }));
  const most = commonestSpot(counted(run.putts));
  const there = (most && layoutAt(layout, most)) ?? layout;
  /** Where it was pointed at; on the green only from the commonest place, since each has a line of its own. */
  const pointed = (id: string, on: 'face' | 'green') =>
    counted(run.putts).flatMap(({ points, outcomes: what, place }) => {
      const spot = points[id];
      const shown = on === 'face' || (most && spotKey(place) === spotKey(most));
      return spot && shown ? [{ spot, passes: passes(what) === true }] : [];
    });
  return (
    <div className="grid gap-2 pb-4">
      <div className="h-[320px]">
        <LayoutDrawing
          layout={layout}
          units={units}
          lie="along"
          brief
          more={tallyMarks(layout, outcomes)}
        />
      </div>
      <div className="grid gap-2 px-4 md:px-7">
        {standing(layout).map((element) => {
          if (element.pointing?.on !== 'face' && element.pointing?.on !== 'green') return null;
          const marks = pointed(element.id, element.pointing.on);
          if (marks.length === 0) return null;
          return element.pointing.on === 'face' ? (
            <FacePicture
              key={element.id}
              player={layout.player}
              middle={element.pointing.middle}
              marks={marks}
              className="h-[150px]"
            />
          ) : (
            <FinishPicture
              key={element.id}
              layout={there}
              units={units}
              rests={marks}
              className="h-[190px]"
            />
          );
        })}
        <Strip marks={stripMarks(layout, outcomes)} />
        <CountedList
          title={t('session.review.bySpot')}
          rows={byPlace(t, layout, counted(run.putts), units)}
        />
        <CountedList
          title={t('session.review.byStroke')}
          rows={byManner(t, layout, counted(run.putts))}
        />
        {unscored.map(({ reason, putts }) => (
          <p key={reason} role="note" className="border-l-[3px] border-warn pl-3 text-[0.9375rem]">
            {t('session.review.onePuttIsNotScored', { putts, reason })}
          </p>
        ))}
        <p className="text-ink2">
          {greenWords(layout, units)}
          {rung !== null &&
            t('session.review.rung', {
              rung: rung + 1,
              ladder: rungWords(run.ladder[rung]!, units),
            })}
          {several && ` · ${outcomeWords(t, layout, outcomes).join('; ')}`}
          {isBuilt(layout) && t('session.review.scoredAsMeasured')}
        </p>
        <ReviewPutts
          runId={run.id}
          layout={layout}
          units={units}
          putts={toWire(run).putts.filter(({ undone }) => !undone)}
          correctable={fresh}
        />
        {fresh && <PracticeButton runId={run.id} putts={counted(run.putts)} />}
      </div>
    </div>
  );
}

/** The place that most putts were made from. */
function commonestSpot(putts: readonly Putt[]): PuttPlace | null {
  const times = new Map<string, { place: PuttPlace; count: number }>();
  for (const { place } of putts) {
    const known = times.get(spotKey(place)) ?? { place, count: 0 };
    times.set(spotKey(place), { ...known, count: known.count + 1 });
  }
  return [...times.values()].sort((a, b) => b.count - a.count)[0]?.place ?? null;
}

/** Putts by where or how they were made, each with what stands out. */
function CountedList({ title, rows }: { title: string; rows: Counted[] }) {
  const t = useTranslations();
  if (rows.length === 0) return null;
  return (
    <div className="max-w-xl">
      <h3 className="mb-1 cap">{title}</h3>
      <ul>
        {rows.map(({ name, putts, passed, note }) => (
          <li
            key={name}
            className="flex items-baseline gap-3 border-b border-hair py-1 text-[1rem]"
          >
            <span className="min-w-0 flex-1">{name}</span>
            <span className="num">{t('session.review.of2', { passed, putts })}</span>
            <span className="w-[112px] text-[0.9375rem] font-[640]">{note}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
