import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { gateNowOf, type GateNow } from '@/core/layout';
import { aimWords, readingWords, relationWords } from '@/core/coaching';
import {
  gateOfWindow,
  instrumentWords,
  scoreWords,
  type Feel,
  type NextGate,
  type ToSettle,
} from '@/core/scoring';
import {
  roughLength,
  settable,
  showChance,
  showDegrees,
  showLength,
  type UnitPreferences,
} from '@/core/units';
import type { Student } from '@/data';
import type { Known } from './read-student';
import { basisOfAll } from './reading';
import { libraryRef } from '../programme/library-ref';
import { windowSince } from './skill-words';

/** Relations told at once. */
const MOST_RELATIONS = 3;

/** Success rates to choose from. */
const RATES = [0.5, 0.6, 0.7, 0.8, 0.9] as const;

/** What is known, in sentences; and the gate to set next. */
export function InWords({
  student,
  given,
  known,
  units,
  rate,
}: {
  student: Student;
  given: string;
  known: Known;
  units: UnitPreferences;
  /** Share of putts that the next gate should let through. */
  rate: number;
}) {
  const { scores, layout, changes, settle: more, cold, feel, next } = known;
  const last = scores.at(-1)!;
  const { start } = last.carried;
  const instruments = last.instruments.flatMap((one) => instrumentWords(one) ?? []);
  const unchecked = [...new Set(Object.values(known.relative))];
  const gate = gateNowOf(layout) ?? undefined;
  const across = (metres: number) => showLength(settable(metres, units, 'up'), 'across', units);
  const { low, high } = gateOfWindow(start.window, gate).gap;
  const { change, since } = changes.start ?? {};
  const startKnown = (basisOfAll(scores).start ?? 0) > 0;
  return (
    <section
      className="grid content-start gap-4 px-4 py-5 md:px-6"
      aria-label="What the putts show"
    >
      <div>
        <h2 className="mb-1 cap">What the putts show</h2>
        {startKnown ? (
          <>
            <p className="text-[1.125rem] leading-snug">
              <strong>
                {given} {scoreWords(start, student.hand, units, gate)}.
              </strong>
            </p>
            <p className="mt-1 text-ink2">
              80 % interval of the gate: {across(low)} to {across(high)}.
            </p>
          </>
        ) : (
          <p className="text-ink2">No data on the start line yet.</p>
        )}
        {change && since && (
          <p className="mt-2">
            Since {format(since, 'd MMMM')}, when it was ±{showDegrees(change.then.window.middle)}{' '}
            over {change.then.putts} putts, the window {windowSince(change)}.{' '}
            {more && more.putts > 0 && settleWords(more)}{' '}
            <Link
              href={`/students/compare?student=${student.id}`}
              className="underline underline-offset-4"
            >
              Compare then and now, cold and warm, drill by drill
            </Link>
          </p>
        )}
        {cold && (
          <p className="mt-2">
            {cold.larger > 0.8
              ? `When cold, the window is ${cold.ratio.toFixed(1)} times as wide as when warm. Practise from new spots, with a cost for a miss.`
              : 'No clear difference between cold and warm.'}
          </p>
        )}
      </div>
      {known.aim && (
        <Told title="Aim and stroke" given={given} told={aimWords(known.aim, student.hand)} />
      )}
      {known.reading && <Told title="Reading" given={given} told={readingWords(known.reading)} />}
      {known.relations.length > 0 && (
        <div>
          <h2 className="mb-1 cap">Linked with the misses</h2>
          <ul className="grid gap-1.5">
            {known.relations.slice(0, MOST_RELATIONS).map((relation) => {
              const { sentence, basis } = relationWords(relation, student.hand);
              return (
                <li key={`${relation.done} ${relation.tracked}`}>
                  {sentence}{' '}
                  <span className="text-ink2">
                    {basis}, {showChance(relation.sure)} sure that they are linked.
                  </span>
                </li>
              );
            })}
          </ul>
        </div>
      )}
      {(unchecked.length > 0 || instruments.length > 0) && (
        <div>
          <h2 className="mb-1 cap">Instruments</h2>
          {unchecked.map((name) => (
            <p key={name}>
              No gate has checked {name}: how far left or right {given} starts is measured against
              this sensor only. The spread is certain, the bias is not.{' '}
              <Link
                href={`/start?student=${student.id}&drill=${libraryRef('straight-gate')}`}
                className="underline underline-offset-4"
              >
                Hit five putts through a gate to check it
              </Link>
            </p>
          ))}
          {instruments.map((words) => (
            <p key={words}>{words}</p>
          ))}
        </div>
      )}
      {feel && (
        <div>
          <h2 className="mb-1 cap">Feel</h2>
          <p>{feelWords(feel, units)}</p>
        </div>
      )}
      {gate && next && (
        <NextGateWords
          given={given}
          gate={gate}
          found={next}
          units={units}
          rate={rate}
          href={`/students/${student.id}`}
        />
      )}
    </section>
  );
}

function Told({
  title,
  given,
  told,
}: {
  title: string;
  given: string;
  told: { sentence: string; basis: string };
}) {
  return (
    <div>
      <h2 className="mb-1 cap">{title}</h2>
      <p className="text-[1.125rem] leading-snug">
        <strong>
          {given} {told.sentence}.
        </strong>
      </p>
      <p className="mt-1 text-ink2">{told.basis}.</p>
    </div>
  );
}

/** What more would settle whether it has changed. */
const settleWords = ({ putts, anew }: ToSettle): string =>
  anew
    ? `About ${putts} more putts would settle it. Treat the first half of them as a new start.`
    : `About ${putts} more ${putts === 1 ? 'putt' : 'putts'} would settle it.`;

/** Guesses against what came true, in a sentence or two. */
function feelWords({ guesses, right, distance }: Feel, units: UnitPreferences): string {
  const counted = `${right} of ${guesses} guesses were right.`;
  if (!distance) return counted;
  const { bias, spread, correlation } = distance;
  const side = bias > 0 ? 'past where it stopped' : 'short of where it stopped';
  const tied = correlation === null ? '' : `; agreement ${correlation.toFixed(2)} (1 is perfect)`;
  return `${counted} On average the guess was ${roughLength(Math.abs(bias), units)} ${side}, give or take ${roughLength(spread, units)}${tied}.`;
}

function NextGateWords({
  given,
  gate,
  found,
  units,
  rate,
  href,
}: {
  given: string;
  gate: GateNow;
  found: NextGate;
  units: UnitPreferences;
  rate: number;
  href: string;
}) {
  const width = showLength(found.gap, 'across', units);
  const away = showLength(found.distance, 'along', units);
  const now = showLength(gate.gap, 'across', units);
  const apart = found.gap - gate.gap;
  return (
    <div>
      <h2 className="mb-1 cap">Next gate</h2>
      <p className="text-[1.0625rem]">
        <strong>
          {width} at {away}
        </strong>{' '}
        lets {Math.round(found.share * 100)} % of {given}’s putts through:{' '}
        {found.farther
          ? 'It cannot be narrower, so set it farther out.'
          : Math.abs(found.distance - gate.distance) > 0.01
            ? 'the gate of the next drill.'
            : Math.abs(apart) < 0.0015
              ? `Stay at last time’s ${now}.`
              : apart < 0
                ? `Narrower than last time’s ${now}.`
                : `Wider than last time’s ${now}.`}
      </p>
      <p className="mt-1 flex flex-wrap gap-x-3 text-[0.9375rem]">
        <span className="text-ink2">Pass rate</span>
        {RATES.map((one) => (
          <Link
            key={one}
            href={`${href}?rate=${one}`}
            scroll={false}
            aria-current={one === rate ? 'true' : undefined}
            className={one === rate ? 'font-[720]' : 'underline underline-offset-4'}
          >
            {Math.round(one * 100)} %
          </Link>
        ))}
      </p>
    </div>
  );
}
