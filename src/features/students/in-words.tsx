import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
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
  const t = useTranslations();
  const { scores, layout, changes, settle: more, cold, feel, next } = known;
  const last = scores.at(-1)!;
  const { start } = last.carried;
  const instruments = last.instruments.flatMap((one) => instrumentWords(one) ?? []);
  const unchecked = [
    ...new Set(Object.values(known.relative).filter((name) => name !== undefined)),
  ];
  const gate = gateNowOf(layout) ?? undefined;
  const across = (metres: number) => showLength(settable(metres, units, 'up'), 'across', units);
  const { low, high } = gateOfWindow(start.window, gate).gap;
  const { change, since } = changes.start ?? {};
  const startKnown = (basisOfAll(scores).start ?? 0) > 0;
  return (
    <section
      className="grid content-start gap-4 px-4 py-5 md:px-6"
      aria-label={t('students.inWords.whatThePuttsShow')}
    >
      <div>
        <h2 className="mb-1 cap">{t('students.inWords.whatThePuttsShow')}</h2>
        {startKnown ? (
          <>
            <p className="text-[1.125rem] leading-snug">
              <strong>
                {given} {scoreWords(start, student.hand, units, gate)}.
              </strong>
            </p>
            <p className="mt-1 text-ink2">
              {t('students.inWords.n80IntervalOfTheGate', {
                across: across(low),
                across2: across(high),
              })}
            </p>
          </>
        ) : (
          <p className="text-ink2">{t('students.inWords.noDataOnTheStart')}</p>
        )}
        {change && since && (
          <p className="mt-2">
            {t('students.inWords.sinceWhenItWasOver', {
              date: format(since, 'd MMMM'),
              middle: showDegrees(change.then.window.middle),
              putts: change.then.putts,
              windowSince: windowSince(change),
            })}{' '}
            {more && more.putts > 0 && settleWords(t, more)}{' '}
            <Link
              href={`/students/compare?student=${student.id}`}
              className="underline underline-offset-4"
            >
              {t('students.inWords.compareThenAndNowCold')}
            </Link>
          </p>
        )}
        {cold && (
          <p className="mt-2">
            {cold.larger > 0.8
              ? t('students.inWords.whenColdTheWindowIs', { ratio: cold.ratio.toFixed(1) })
              : t('students.inWords.noClearDifferenceBetweenCold')}
          </p>
        )}
      </div>
      {known.aim && (
        <Told
          title={t('students.inWords.aimAndStroke')}
          given={given}
          told={aimWords(known.aim, student.hand)}
        />
      )}
      {known.reading && (
        <Told
          title={t('students.inWords.reading')}
          given={given}
          told={readingWords(known.reading)}
        />
      )}
      {known.relations.length > 0 && (
        <div>
          <h2 className="mb-1 cap">{t('students.inWords.linkedWithTheMisses')}</h2>
          <ul className="grid gap-1.5">
            {known.relations.slice(0, MOST_RELATIONS).map((relation) => {
              const { sentence, basis } = relationWords(relation, student.hand);
              return (
                <li key={`${relation.done} ${relation.tracked}`}>
                  {sentence}{' '}
                  <span className="text-ink2">
                    {t('students.inWords.sureThatTheyAreLinked', {
                      basis,
                      sure: showChance(relation.sure),
                    })}
                  </span>
                </li>
              );
            })}
          </ul>
        </div>
      )}
      {(unchecked.length > 0 || instruments.length > 0) && (
        <div>
          <h2 className="mb-1 cap">{t('students.inWords.instruments')}</h2>
          {unchecked.map((name) => (
            <p key={name}>
              {t.rich('students.inWords.noGateHasChecked', {
                name,
                given,
                link: (chunks) => (
                  <Link
                    href={`/start?student=${student.id}&drill=${libraryRef('straight-gate')}`}
                    className="underline underline-offset-4"
                  >
                    {chunks}
                  </Link>
                ),
              })}
            </p>
          ))}
          {instruments.map((words) => (
            <p key={words}>{words}</p>
          ))}
        </div>
      )}
      {feel && (
        <div>
          <h2 className="mb-1 cap">{t('students.inWords.feel')}</h2>
          <p>{feelWords(t, feel, units)}</p>
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
const settleWords = (t: Translate, { putts, anew }: ToSettle): string =>
  anew
    ? t('students.inWords.aboutMorePuttsWouldSettle', { putts })
    : t('students.inWords.aboutMorePuttWouldSettle', { putts });

/** Guesses against what came true, in a sentence or two. */
function feelWords(
  t: Translate,
  { guesses, right, distance }: Feel,
  units: UnitPreferences,
): string {
  const counted = t('students.inWords.ofGuessesWereRight', { right, guesses });
  if (!distance) return counted;
  const { bias, spread, correlation } = distance;
  const side =
    bias > 0
      ? t('students.inWords.pastWhereItStopped')
      : t('students.inWords.shortOfWhereItStopped');
  const tied =
    correlation === null
      ? ''
      : t('students.inWords.agreement1IsPerfect', { correlation: correlation.toFixed(2) });
  return t('students.inWords.onAverageTheGuessWas', {
    counted,
    distance: roughLength(Math.abs(bias), units),
    side,
    spread: roughLength(spread, units),
    tied,
  });
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
  const t = useTranslations();
  const width = showLength(found.gap, 'across', units);
  const away = showLength(found.distance, 'along', units);
  const now = showLength(gate.gap, 'across', units);
  const apart = found.gap - gate.gap;
  return (
    <div>
      <h2 className="mb-1 cap">{t('students.inWords.nextGate')}</h2>
      <p className="text-[1.0625rem]">
        {t.rich('students.inWords.atLetsOfSPutts', {
          width,
          away,
          share: Math.round(found.share * 100),
          given,
          now,
          apartBelow: String(apart < 0),
          absBelow: String(Math.abs(apart) < 0.0015),
          absAbove: String(Math.abs(found.distance - gate.distance) > 0.01),
          farther: String(found.farther),
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      <p className="mt-1 flex flex-wrap gap-x-3 text-[0.9375rem]">
        <span className="text-ink2">{t('students.inWords.passRate')}</span>
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
