import { pageTitle } from '@/words/title';
import { useTranslations } from 'next-intl';
import { getTranslations } from 'next-intl/server';
import { formatDistance } from 'date-fns';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { currentOf, fallsWords } from '@/core/green';
import { showGrade, showLength, type UnitPreferences } from '@/core/units';
import { listGreens, type Reading } from '@/data';
import { Empty, PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Button } from '@/ui/button';
import { FallArrow } from '@/ui/fall-arrow';

export const generateMetadata = pageTitle('titles.greens');

export default async function GreensPage({ searchParams }: PageProps<'/greens'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext();
  const archived = (await searchParams).archived !== undefined;
  const all = await listGreens(database, principal);
  const shown = all.filter(({ archivedAt }) => (archivedAt !== null) === archived);
  const hidden = all.length - shown.length;
  const now = new Date();
  return (
    <>
      <PlaceHead
        title={archived ? t('pages.greens.archivedGreens') : t('pages.greens.greens')}
        sub={t('pages.greens.latestReadingsOneSpeedFor')}
      >
        {(hidden > 0 || archived) && (
          <Button asChild>
            <Link href={archived ? '/greens' : '/greens?archived'}>
              {archived ? t('pages.greens.backToGreens') : t('pages.greens.archived', { hidden })}
            </Link>
          </Button>
        )}
        <Button asChild kind="primary">
          <Link href="/greens/new">{t('pages.greens.addGreen')}</Link>
        </Button>
      </PlaceHead>
      {shown.length === 0 && (
        <Empty
          title={
            archived
              ? t('pages.greens.noArchivedGreens')
              : t('pages.greens.startWithYourPracticeGreen')
          }
        >
          <p>{t('pages.greens.nameTheGreenAndThe')}</p>
        </Empty>
      )}
      {shown.map((green) => {
        const current = currentOf(green.readings, null);
        return (
          <section
            key={green.id}
            className="grid grid-cols-1 gap-x-8 gap-y-3 border-b border-rule px-4 py-5 md:px-7 lg:grid-cols-[300px_1fr]"
            aria-label={green.name}
          >
            <div>
              <h2 className="text-[1.25rem] leading-tight num">
                <Link
                  href={`/greens/${green.id}`}
                  className="inline-flex min-h-11 items-center underline decoration-1 underline-offset-4"
                >
                  {green.name}
                </Link>
              </h2>
              {current ? (
                <p className="mt-1">
                  <span className="text-[1.6875rem] leading-tight num">
                    {showLength(current.greenSpeed, 'speed', units)}
                  </span>{' '}
                  <span className="text-ink2">
                    {t('pages.greens.measured', {
                      speedAt: formatDistance(current.speedAt, now, { addSuffix: true }),
                    })}
                  </span>
                </p>
              ) : (
                <p className="mt-1 text-ink2">{t('pages.greens.notMeasuredYet')}</p>
              )}
              {green.readings.length > 2 && <Course readings={green.readings} units={units} />}
            </div>
            <ul className="grid gap-x-6 gap-y-2 sm:grid-cols-2 xl:grid-cols-3">
              {green.spots.map((spot) => {
                const slope = currentOf(green.readings, spot.id)?.slope;
                return (
                  <li key={spot.id} className="flex items-center gap-3">
                    {slope ? (
                      <FallArrow {...slope} label={fallsWords(slope.falls)} />
                    ) : (
                      <span className="w-9 text-center text-ink2">?</span>
                    )}
                    <span>
                      <span className="block text-[1rem] font-[600]">{spot.name}</span>
                      <span className="text-ink2">
                        {slope
                          ? slope.grade === 0
                            ? t('pages.greens.level')
                            : t('pages.greens.falls', {
                                grade: showGrade(slope.grade),
                                falls: fallsWords(slope.falls),
                              })
                          : t('pages.greens.slopeNotMeasuredYet')}
                      </span>
                    </span>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </>
  );
}

/** How the speed went, small: from the first reading to the last. */
function Course({ readings, units }: { readings: Reading[]; units: UnitPreferences }) {
  const t = useTranslations();
  const [last, first] = [readings[0]!, readings.at(-1)!];
  const speeds = readings.map(({ greenSpeed }) => greenSpeed);
  const [low, high] = [Math.min(...speeds), Math.max(...speeds)];
  const span = last.at.getTime() - first.at.getTime() || 1;
  const x = (at: Date) => 4 + (152 * (at.getTime() - first.at.getTime())) / span;
  const y = (speed: number) => 30 - (26 * (speed - low)) / (high - low || 1);
  const from = showLength(first.greenSpeed, 'speed', units);
  return (
    <p className="mt-2 flex items-end gap-3 text-sm text-ink2">
      <svg width="160" height="36" className="shrink-0" aria-hidden>
        <polyline
          points={readings.map(({ at, greenSpeed }) => `${x(at)},${y(greenSpeed)}`).join(' ')}
          className="fill-none stroke-ink"
          strokeWidth="1.8"
        />
        <circle cx={x(last.at)} cy={y(last.greenSpeed)} r="3.6" className="fill-line" />
      </svg>
      <span className="whitespace-nowrap">
        {t('pages.greens.fromOn', { from, date: format(first.at, 'd MMM') })}
      </span>
    </p>
  );
}
