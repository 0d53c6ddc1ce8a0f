'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { judge, type Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { passWord, puttWords } from './outcome-words';
import type { RunView } from './run-store';

/** For who hears the screen: what was logged just now and how it stands, or what was taken back. Nothing where nothing changed. */
export function Spoken({
  layout,
  view: { putts },
  units,
}: {
  layout: Layout;
  view: Pick<RunView, 'putts'>;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const counted = putts.filter(({ leftOut }) => !leftOut);
  const passes = judge(layout);
  const seen = counted.map(({ outcomes }) => passes(outcomes)).filter((one) => one !== null);
  const passed = seen.filter(Boolean).length;
  const last = putts.at(-1);
  const stands = t('session.spoken.of', { passed, seen: seen.length, passWord: passWord(layout) });
  const happened = last ? puttWords(t, layout, last, units) : '';
  const seenOf = (putt: (typeof putts)[number] | undefined) =>
    putt && JSON.stringify(putt.outcomes);
  const [before, setBefore] = useState({ all: putts, words: '' });
  if (putts.length !== before.all.length) {
    // A touch that was joined with a measured putt leaves one putt less, and says more of the last.
    const known = before.all.find(({ id }) => id === last?.id);
    const back = putts.length < before.all.length && seenOf(known) === seenOf(last);
    setBefore({
      all: putts,
      words: back ? t('session.spoken.undone', { stands }) : `${happened}; ${stands}`,
    });
  }
  return (
    <p role="status" aria-label={t('session.spoken.logged')} className="sr-only">
      {before.words}
    </p>
  );
}
