import { useTranslations } from 'next-intl';
import type { HomeworkWeek } from '@/core/planning';

/** A week of homework as marks: filled for done, open for not yet; no more is said of those. */
export function WeekMarks({ week: { asked, done } }: { week: HomeworkWeek }) {
  const t = useTranslations();
  return (
    <span
      role="img"
      aria-label={t('home.weekMarks.ofDone', { done, asked })}
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
