'use client';

import clsx from 'clsx';
import type { Standing } from '@/core/layout';

/** The other elements of a drill: what passes is taken unless another is touched before the putt is logged. */
export function MoreTouch({
  elements,
  chosen,
  onChoose,
}: {
  elements: Standing[];
  chosen: Record<string, string>;
  onChoose: (element: string, outcome: string) => void;
}) {
  return (
    <div className="grid gap-1.5">
      {elements.map((element) => {
        const outcomes = element.outcomes();
        const now = chosen[element.id] ?? outcomes[0]!.id;
        return (
          <div
            key={element.id}
            role="group"
            aria-label={element.name}
            className="grid grid-cols-[72px_minmax(0,1fr)] items-center gap-2"
          >
            <span className="cap leading-tight">
              {element.kind === 'watch' ? outcomes[0]!.detail : element.name}
            </span>
            <span
              className={clsx(
                'grid gap-1.5',
                outcomes.length > 4 ? 'grid-cols-3' : 'auto-cols-fr grid-flow-col',
              )}
            >
              {outcomes.map((outcome) => (
                <button
                  key={outcome.id}
                  type="button"
                  aria-pressed={outcome.id === now}
                  onClick={() => onChoose(element.id, outcome.id)}
                  className={clsx(
                    'min-h-11 rounded-[3px] border-[length:var(--stroke)] border-ink px-1.5 text-[14.5px] leading-tight font-[620] [font-stretch:90%]',
                    outcome.id === now ? 'bg-ink text-sheet' : 'bg-sheet',
                  )}
                >
                  {outcome.label}
                </button>
              ))}
            </span>
          </div>
        );
      })}
    </div>
  );
}
