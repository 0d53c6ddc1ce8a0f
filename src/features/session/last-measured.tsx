'use client';

import { judge, type Layout } from '@/core/layout';
import type { UnitPreferences } from '@/core/units';
import { isRuled, readBy, valuesTold } from './measured-words';
import { puttWords } from './outcome-words';
import type { WirePutt } from './wire';

/** What an instrument has just read, large enough to be seen from the ball; a touch opens it to be corrected. */
export function LastMeasured({
  layout,
  putt,
  units,
  onLook,
}: {
  layout: Layout;
  putt: WirePutt;
  units: UnitPreferences;
  onLook: () => void;
}) {
  const told = valuesTold(putt.measured, layout.player.hand);
  const [main, more] = [
    told.filter(({ id }) => isRuled(id)),
    told.filter(({ id }) => !isRuled(id)),
  ];
  const happened = puttWords(layout, putt, units);
  const found = putt.filled.length > 0;
  return (
    <section
      aria-label="The last putt, as it was measured"
      aria-live="polite"
      className="grid gap-1.5 border-b border-rule pb-2"
    >
      <button
        type="button"
        onClick={onLook}
        className="flex min-h-11 items-baseline justify-between gap-3 text-left"
      >
        <span className="text-[19px] font-[680]">
          {happened ? (
            <>
              <span aria-hidden>{judge(layout)(putt.outcomes) ? '● ' : '○ '}</span>
              {happened}
            </>
          ) : (
            'Measured'
          )}
          {found && <span className="font-[500] text-ink2"> by what was measured</span>}
        </span>
        <span className="shrink-0 text-sm text-ink2">{readBy(putt.measured)}</span>
      </button>
      <dl className="grid grid-cols-[repeat(auto-fill,minmax(92px,1fr))] gap-x-3 gap-y-1">
        {(main.length > 0 ? main : more).map(({ id, name, words }) => (
          <div key={id} className="min-w-0">
            <dt className="truncate text-[13px] text-ink2">{name}</dt>
            <dd className="text-[19px] leading-tight num">{words}</dd>
          </div>
        ))}
      </dl>
      {main.length > 0 && more.length > 0 && (
        <details>
          <summary className="min-h-8 cursor-pointer text-[15px] underline underline-offset-4">
            {more.length} more
          </summary>
          <dl className="grid grid-cols-2 gap-x-3 gap-y-1">
            {more.map(({ id, name, words }) => (
              <div key={id} className="min-w-0">
                <dt className="truncate text-[13px] text-ink2">{name}</dt>
                <dd className="text-[16px] num">{words}</dd>
              </div>
            ))}
          </dl>
        </details>
      )}
      {found && <p className="text-sm text-ink2">Touch a key within 15 s if it was otherwise.</p>}
    </section>
  );
}
