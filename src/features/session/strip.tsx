import { useTranslations } from 'next-intl';
import type { StripMark } from './outcome-words';

/** Putts in a row: a dot for one that passed, a triangle for the side that was missed, a circle for any other miss. */
export function Strip({ marks, breaks = 10 }: { marks: StripMark[]; breaks?: number }) {
  const t = useTranslations();
  return (
    <ol
      className="flex flex-wrap items-center gap-y-1"
      aria-label={t('session.strip.puttsOldestFirst')}
    >
      {marks.map((mark, index) => (
        <li
          key={index}
          title={`${index + 1}: ${mark.label.toLowerCase()}`}
          className={`flex w-[21px] justify-center text-[0.9375rem] leading-6 font-[720] ${
            mark.side === 'left'
              ? 'text-leftward'
              : mark.side === 'right'
                ? 'text-rightward'
                : 'text-ink'
          } ${index > 0 && index % breaks === 0 ? 'ml-1 border-l-2 border-ink pl-1' : ''}`}
        >
          <span className="sr-only">{mark.label}</span>
          <span aria-hidden>
            {mark.side === 'left' ? '◀' : mark.side === 'right' ? '▶' : mark.passes ? '●' : '○'}
          </span>
        </li>
      ))}
    </ol>
  );
}
