import type { Outcome } from '@/core/layout';

/** Putts in a row: a dot for clear, a triangle for the side that was missed. */
export function Strip({ outcomes, breaks = 10 }: { outcomes: Outcome[]; breaks?: number }) {
  return (
    <ol className="flex flex-wrap items-center gap-y-1" aria-label="Putts, oldest first">
      {outcomes.map((outcome, index) => (
        <li
          key={index}
          title={`${index + 1}: ${outcome.label.toLowerCase()}`}
          className={`flex w-[21px] justify-center text-[0.9375rem] leading-6 font-[720] ${
            outcome.side === 'left'
              ? 'text-leftward'
              : outcome.side === 'right'
                ? 'text-rightward'
                : 'text-ink'
          } ${index > 0 && index % breaks === 0 ? 'ml-1 border-l-2 border-ink pl-1' : ''}`}
        >
          <span className="sr-only">{outcome.label}</span>
          <span aria-hidden>
            {outcome.side === 'left'
              ? '◀'
              : outcome.side === 'right'
                ? '▶'
                : outcome.passes
                  ? '●'
                  : '○'}
          </span>
        </li>
      ))}
    </ol>
  );
}
