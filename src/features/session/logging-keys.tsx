'use client';

import { useTranslations } from 'next-intl';
import type { Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { releaseFocus } from '@/ui/release-focus';
import { MoreTouch, PointPicture } from './more-touch';
import { puttWords } from './outcome-words';
import { pointAt, puttOf, touchOutcome, touchParts } from './seen';
import { ThumbKeys } from './thumb-keys';
import type { PuttInHand } from './use-putt';

/** The keys of the putt in hand: below the picture, or beside it. */
export function LoggingKeys({
  putt,
  units,
  low,
}: {
  putt: PuttInHand;
  units: UnitPreferences;
  /** There is little height. */
  low: boolean;
}) {
  const t = useTranslations();
  const { there, primary, several, guess, guesses } = putt;
  if (!primary) return null;
  const outcomes = primary.outcomes();
  const guessed = outcomes.find(({ id }) => id === guess?.outcomes[primary.id]);
  return (
    <>
      {(guesses || guessed) && (
        <p
          className="text-[1.0625rem] font-[640]"
          role="status"
          aria-label={t('session.loggingKeys.guess')}
        >
          {guesses
            ? t('session.loggingKeys.guessFirstWhereDidIt')
            : t('session.loggingKeys.guessedNowLook', { guessed: guessed!.label.toLowerCase() })}
        </p>
      )}
      {putt.waitsForRest && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p
            className="text-[1.0625rem] font-[640]"
            role="status"
            aria-label={t('session.loggingKeys.whereItStopped')}
          >
            {t('session.loggingKeys.whereDidItStopTap')}
          </p>
          <Button className="min-h-12" onClick={putt.onward}>
            {t('session.loggingKeys.notSeen')}
          </Button>
        </div>
      )}
      {several ? (
        <Several putt={putt} layout={there} units={units} />
      ) : (
        <>
          {primary.pointing?.on === 'face' && (
            <PointPicture
              element={primary}
              layout={there}
              units={units}
              chosen={guesses ? undefined : guess?.points[primary.id]}
              onPoint={(spot, at) => putt.take(pointAt(there, {}, primary, spot), at)}
            />
          )}
          <ThumbKeys
            outcomes={outcomes}
            unread={primary.traits.asksRead}
            low={low || primary.pointing?.on === 'face'}
            onPress={({ id }, at) => putt.take(touchOutcome(there, {}, primary, id), at)}
          />
        </>
      )}
    </>
  );
}

/** Of several things: keys for what has no place on the picture, and the two that end a putt. */
function Several({
  putt: { seen, take, onward, rest },
  layout,
  units,
}: {
  putt: PuttInHand;
  layout: Layout;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const parts = touchParts(layout);
  const some = Object.keys(seen).length > 0;
  return (
    <>
      <p
        role="status"
        aria-label={t('session.loggingKeys.seenSoFar')}
        className="min-h-6 text-[1rem] text-ink2 [@media(max-height:500px)]:hidden"
      >
        {some
          ? t('session.loggingKeys.seen', {
              layout: puttWords(t, layout, { ...puttOf(seen), guess: null }, units),
            })
          : t('session.loggingKeys.tapWhatYouSawOr')}
      </p>
      <MoreTouch
        elements={[...parts.keys, ...parts.rest]}
        layout={layout}
        units={units}
        seen={seen}
        onSeen={(what) => take(what)}
      />
      <div className="grid grid-cols-[1fr_1.5fr] gap-2.5">
        <Button
          className="min-h-[60px] text-[1.1875rem]"
          disabled={!some}
          onClick={(event) => {
            releaseFocus(event);
            onward();
          }}
        >
          {t('session.loggingKeys.next')}
        </Button>
        <Button
          kind="primary"
          className="min-h-[60px] px-2 text-[1.125rem] leading-tight whitespace-normal"
          onClick={(event) => {
            releaseFocus(event);
            rest(event.timeStamp);
          }}
        >
          {some ? t('session.loggingKeys.theRestIsGood') : t('session.loggingKeys.allGood')}
        </Button>
      </div>
    </>
  );
}
