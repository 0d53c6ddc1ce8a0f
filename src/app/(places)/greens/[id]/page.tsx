import { useTranslations } from 'next-intl';
import { getTranslations } from 'next-intl/server';
import type { Translate } from '@/words/translate';
import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import {
  DEFAULT_PUTT,
  aimFor,
  breakWords,
  contradiction,
  currentOf,
  fallsWords,
  type Slope,
} from '@/core/green';
import { FOOT, roughLength, showGrade, showLength, type UnitPreferences } from '@/core/units';
import { getGreen, listCoaches, type Green, type Reading } from '@/data';
import { History } from '@/features/academy/history';
import { setGreenArchived, setGreenShared } from '@/features/greens/actions';
import { DropButton } from '@/features/greens/drop-button';
import { ReadingForm } from '@/features/greens/reading-form';
import { SpeedTrend } from '@/features/greens/speed-trend';
import { greenValue } from '@/features/greens/value';
import { WrongSpeed } from '@/features/greens/wrong-speed';
import { libraryRef } from '@/features/programme/library-ref';
import { ArchiveButton } from '@/features/shared/archive-button';
import { ShareButton } from '@/features/shared/share-button';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound, titled } from '@/features/shared/server';
import { Button } from '@/ui/button';
import { ColumnHead } from '@/ui/column-head';
import { FallArrow } from '@/ui/fall-arrow';

export const generateMetadata = async ({
  params,
}: PageProps<'/greens/[id]'>): Promise<Metadata> => {
  const t = await getTranslations();
  return titled(t('pages.greensId.green'), async ({ database, principal }) => {
    const { id } = await params;
    return (await getGreen(database, principal, id)).name;
  });
};

/** What a spot's slope does to a putt that every coach has in mind. */
const TOLD = 8 * FOOT;
/** A putt long enough to feel a wrong speed. */
const LONG = 20 * FOOT;

export default async function GreenPage({ params }: PageProps<'/greens/[id]'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const green = await orNotFound(getGreen(database, principal, (await params).id));
  const own =
    principal.as === 'head' || (principal.as === 'coach' && green.coachId === principal.coachId);
  const coaches = (await listCoaches(database)).length;
  const current = currentOf(green.readings, null);
  const steepest = green.spots
    .map((spot) => ({ spot, slope: currentOf(green.readings, spot.id)?.slope ?? null }))
    .filter((one): one is typeof one & { slope: Slope } => one.slope !== null)
    .toSorted((a, b) => b.slope.grade - a.slope.grade)[0];
  return (
    <>
      <PlaceHead
        title={green.name}
        sub={
          current
            ? t('pages.greensId.measured', {
                greenSpeed: showLength(current.greenSpeed, 'speed', units),
                speedAt: formatDistance(current.speedAt, new Date(), { addSuffix: true }),
              })
            : t('pages.greensId.notMeasuredYetTakeThe')
        }
      >
        {own && (
          <>
            <ArchiveButton
              id={green.id}
              name={green.name}
              archived={green.archivedAt !== null}
              set={setGreenArchived}
            />
            {coaches > 1 && (
              <ShareButton
                id={green.id}
                name={green.name}
                shared={green.sharedAt !== null}
                set={setGreenShared}
              />
            )}
            <Button asChild>
              <Link href={`/greens/${green.id}/edit`}>{t('pages.greensId.editGreen')}</Link>
            </Button>
          </>
        )}
      </PlaceHead>
      <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_400px] lg:divide-x lg:divide-rule">
        <div className="min-w-0 max-lg:order-2">
          {green.spots.length > 0 && (
            <section className="px-4 py-5 md:px-7" aria-label={t('pages.greensId.spots')}>
              <h2 className="mb-1 cap">{t('pages.greensId.spotsAsSeenFromThe')}</h2>
              <SpotTable green={green} greenSpeed={current?.greenSpeed} units={units} />
            </section>
          )}
          {green.readings.length > 1 && (
            <section
              className="border-t border-rule px-4 py-5 md:px-7"
              aria-label={t('pages.greensId.speed')}
            >
              <h2 className="mb-2 cap">{t('pages.greensId.greenSpeedByDay')}</h2>
              <div className="h-[180px]">
                <SpeedTrend readings={green.readings.toReversed()} units={units} />
              </div>
            </section>
          )}
          {current && (
            <section
              className="border-t border-rule px-4 py-5 md:px-7"
              aria-label={t('pages.greensId.effectOfAWrongSpeed')}
            >
              <h2 className="mb-1 text-[1.0625rem] font-[650]">
                {t('pages.greensId.whatAWrongSpeedCosts', {
                  distance: showLength(LONG, 'putt', units),
                  spot: steepest?.spot.name ?? '',
                  steepest: String(!!steepest),
                })}
              </h2>
              <p className="mb-2 text-ink2">
                {t('pages.greensId.thePuttIsAimedAnd', {
                  greenSpeed: showLength(current.greenSpeed, 'speed', units),
                  past: roughLength(DEFAULT_PUTT.past, units),
                })}
              </p>
              <WrongSpeedOrNot
                slope={steepest?.slope}
                greenSpeed={current.greenSpeed}
                units={units}
              />
            </section>
          )}
          {green.readings.length > 0 && (
            <section
              className="border-t border-rule px-4 py-5 md:px-7"
              aria-label={t('pages.greensId.readings')}
            >
              <h2 className="mb-1 cap">{t('pages.greensId.readingsNewestFirst')}</h2>
              <Readings green={green} units={units} />
            </section>
          )}
          {green.notes && (
            <p className="max-w-prose border-t border-rule px-4 py-5 text-[1rem] whitespace-pre-wrap md:px-7">
              {green.notes}
            </p>
          )}
        </div>
        <div className="px-4 py-5 max-lg:order-1 max-lg:border-b max-lg:border-rule md:px-7 lg:px-6">
          <ReadingForm
            key={green.readings.length}
            greenId={green.id}
            spots={green.spots}
            units={units}
          />
        </div>
      </div>
      <History database={database} principal={principal} about={[green.id]} />
    </>
  );
}

function WrongSpeedOrNot({
  slope,
  greenSpeed,
  units,
}: {
  slope: Slope | undefined;
  greenSpeed: number;
  units: UnitPreferences;
}) {
  const putt = { ...DEFAULT_PUTT, distance: LONG, greenSpeed, ...(slope && { slope }) };
  try {
    aimFor(putt);
  } catch (error) {
    if (error instanceof RangeError) return <p>{error.message}</p>;
    throw error;
  }
  return <WrongSpeed putt={putt} units={units} />;
}

/** The start of ten reads with no ball, from all sides of a spot whose slope is known. */
const quizAt = (greenId: string, spotId: string): string =>
  `/start?${new URLSearchParams({ drill: libraryRef('read-only'), green: greenValue(greenId, spotId) })}`;

function SpotTable({
  green,
  greenSpeed,
  units,
}: {
  green: Green;
  greenSpeed: number | undefined;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  return (
    <table className="w-full text-[1rem]">
      <caption className="sr-only">{t('pages.greensId.spots')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead className="pr-4" colSpan={2}>
            {t('pages.greensId.spot')}
          </ColumnHead>
          <ColumnHead className="pr-4">{t('pages.greensId.slope')}</ColumnHead>
          <ColumnHead colSpan={2}>
            {t('pages.greensId.breakOverPastTheHole', {
              distance: showLength(TOLD, 'putt', units),
              past: roughLength(DEFAULT_PUTT.past, units),
            })}
          </ColumnHead>
        </tr>
      </thead>
      <tbody>
        {green.spots.map((spot) => {
          const slope = currentOf(green.readings, spot.id)?.slope ?? null;
          const apart = contradiction(green.readings, spot.id);
          return (
            <tr key={spot.id} className="border-b border-hair">
              <td className="w-12 py-2">
                {slope && <FallArrow {...slope} label={fallsWords(slope.falls)} />}
              </td>
              <td className="py-2 pr-4 font-[620]">{spot.name}</td>
              <td className="py-2 pr-4">
                {!slope && <span className="text-ink2">{t('pages.greensId.notMeasuredYet')}</span>}
                {slope &&
                  (slope.grade === 0 ? t('pages.greensId.level') : <SlopeWords slope={slope} />)}
                {apart && (
                  <p role="alert" className="mt-1 border-l-[3px] border-warn pl-2 text-[0.9375rem]">
                    {t('pages.greensId.theReadingOfDiffersBy', {
                      date: format(apart.older, 'd MMM, HH:mm'),
                      by: showGrade(apart.by),
                    })}
                  </p>
                )}
              </td>
              <td className="py-2">{slope && greenSpeed ? breakOf(t, slope, greenSpeed) : ''}</td>
              <td className="py-2 text-right">
                {slope && slope.grade > 0 && greenSpeed && (
                  <Button asChild>
                    <Link
                      href={quizAt(green.id, spot.id)}
                      aria-label={t('pages.greensId.readWithoutABall', { spot: spot.name })}
                    >
                      {t('pages.greensId.readWithoutABall2')}
                    </Link>
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const SlopeWords = ({ slope }: { slope: Slope }) => (
  <>
    <span className="num">{showGrade(slope.grade)}</span> {fallsWords(slope.falls)}
  </>
);

function breakOf(t: Translate, slope: Slope, greenSpeed: number): string {
  try {
    return breakWords(aimFor({ ...DEFAULT_PUTT, distance: TOLD, greenSpeed, slope }).cups);
  } catch (error) {
    if (error instanceof RangeError) return t('pages.greensId.tooSteepAtThisPace');
    throw error;
  }
}

function Readings({ green, units }: { green: Green; units: UnitPreferences }) {
  const t = useTranslations();
  const spotName = ({ spotId }: Reading) =>
    green.spots.find(({ id }) => id === spotId)?.name ?? t('pages.greensId.speedOnly');
  return (
    <table id="readings" className="w-full text-[0.9375rem]">
      <caption className="sr-only">{t('pages.greensId.readings')}</caption>
      <tbody>
        {green.readings.map((reading) => (
          <tr key={reading.id} className="border-b border-hair align-baseline">
            <td className="py-1 pr-4 num whitespace-nowrap">{format(reading.at, 'd MMM yyyy')}</td>
            <td className="py-1 pr-4 num whitespace-nowrap">
              {showLength(reading.greenSpeed, 'speed', units)}
            </td>
            <td className="py-1 pr-4">
              {spotName(reading)}
              {reading.slope && reading.slope.grade > 0 && (
                <>
                  , <SlopeWords slope={reading.slope} />
                </>
              )}
              <span className="block text-sm text-ink2">
                {reading.rolls
                  ? t('pages.greensId.rolledUpDown', {
                      up: showLength(reading.rolls.up, 'putt', units),
                      down: showLength(reading.rolls.down, 'putt', units),
                    })
                  : t('pages.greensId.measuredWithARampAnd')}
                {reading.note && `. ${reading.note}`}
              </span>
            </td>
            <td className="text-right align-middle">
              <DropButton
                greenId={green.id}
                id={reading.id}
                name={format(reading.at, 'd MMM yyyy')}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
