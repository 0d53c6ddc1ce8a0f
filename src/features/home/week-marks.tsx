import type { HomeworkWeek } from '@/core/planning';

/** A week of homework as marks: filled for done, open for not yet; no more is said of those. */
export function WeekMarks({ week: { asked, done } }: { week: HomeworkWeek }) {
  return (
    <span
      role="img"
      aria-label={`${done} of ${asked} done`}
      className="inline-flex gap-1.5 align-middle"
    >
      {Array.from({ length: asked }, (_, i) => (
        <span
          key={i}
          className={`inline-block h-4 w-4 rounded-full border-2 border-ink ${i < done ? 'bg-ink' : ''}`}
        />
      ))}
    </span>
  );
}
