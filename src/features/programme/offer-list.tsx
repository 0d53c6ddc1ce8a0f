'use client';

import { useTranslations } from 'next-intl';
import { PHASES, PHASE_WORDS, type Phase } from '@/core/planning';
import type { Offer } from './plan-shape';
import { lateWords } from './totals-words';

/** Drills to choose from, by their place in the hour; those of the place that is asked of come first. */
export function OfferList({
  offers,
  first,
  onChoose,
}: {
  offers: Offer[];
  first?: Phase;
  onChoose: (offer: Offer) => void;
}) {
  const t = useTranslations();
  const phases = first ? [first, ...PHASES.filter((phase) => phase !== first)] : PHASES;
  return (
    <div className="mt-3 grid gap-4">
      {phases.map((phase) => {
        const here = offers.filter((offer) => offer.phase === phase);
        if (here.length === 0) return null;
        return (
          <section key={phase}>
            <h3 className="mb-1 cap">{PHASE_WORDS[phase]}</h3>
            <ul>
              {here.map((offer) => (
                <li key={offer.ref} className="border-t border-hair">
                  <button
                    type="button"
                    className="flex min-h-12 w-full items-center justify-between gap-3 py-1.5 text-left hover:bg-hair"
                    onClick={() => onChoose(offer)}
                  >
                    <span className="min-w-0">
                      <span className="block text-[1.0625rem] font-[620]">{offer.name}</span>
                      <span className="text-sm text-ink2">
                        {offer.trains}
                        {offer.meets.length > 0 && ` · helps with the ${offer.meets[0]}`}
                      </span>
                    </span>
                    <span className="text-right whitespace-nowrap">
                      <span className="block num">
                        {t('programme.offerList.min', { median: Math.round(offer.span.median) })}
                      </span>
                      <span className="text-sm text-ink2">{lateWords(offer.span.late)}</span>
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
