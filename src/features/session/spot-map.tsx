import { useTranslations } from 'next-intl';
import { stationCount, stationPlace, type Layout, type PuttPlace } from '@/core/layout';
import { isLevel } from '@/core/green';
import { FallArrow } from '@/ui/fall-arrow';

/** How wide the map is, px, and how much of its half the farthest spot takes. */
const SIZE = 84;
const REACH = 0.82;

/**
 * All spots of a drill round the hole, from above, and which is next; the first lies below. The arrow says which way the green
 * falls.
 */
export function SpotMap({
  layout,
  place,
  unread,
}: {
  /** As it stands at its ball mark. */
  layout: Layout;
  /** Of the putt to come. */
  place: PuttPlace;
  /** Without the fall, while the player is asked for it. */
  unread: boolean;
}) {
  const t = useTranslations();
  const count = stationCount(layout);
  const spots = Array.from({ length: count }, (_, station) => stationPlace(layout, station).spot!);
  if (count < 3 || spots.every(({ bearing }) => bearing === 0)) return null;
  const farthest = Math.max(...spots.map(({ distance }) => distance));
  const at = ({ distance, bearing }: (typeof spots)[number]) => {
    const away = (distance / farthest) * REACH * (SIZE / 2);
    return {
      cx: SIZE / 2 - away * Math.sin(bearing),
      cy: SIZE / 2 + away * Math.cos(bearing),
    };
  };
  const next = place.station % count;
  return (
    <div className="flex shrink-0 items-center gap-1 py-1">
      <svg
        role="img"
        aria-label={t('session.spotMap.mapOfTheSpotsAround', { count, next: next + 1 })}
        width={SIZE}
        height={SIZE}
      >
        <circle cx={SIZE / 2} cy={SIZE / 2} r={4.5} className="fill-ink" />
        {spots.map((spot, station) =>
          station === next ? null : (
            <circle
              key={station}
              {...at(spot)}
              r={3}
              className="fill-none stroke-ink2"
              strokeWidth={1.6}
            />
          ),
        )}
        <line
          x1={at(spots[next]!).cx}
          y1={at(spots[next]!).cy}
          x2={SIZE / 2}
          y2={SIZE / 2}
          className="stroke-line"
          strokeWidth={2}
          strokeDasharray="4 3"
        />
        <circle {...at(spots[next]!)} r={6.5} className="fill-line stroke-ink" strokeWidth={1.6} />
      </svg>
      {!unread && !isLevel(layout.putt) && (
        <FallArrow {...layout.putt.slope} label={t('session.spotMap.directionTheGreenFalls')} />
      )}
    </div>
  );
}
