import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { counted, type Session } from '@/data';

/** Sessions of a student, the latest first, with what was putted. */
export function LastSessions({ sessions }: { sessions: Session[] }) {
  const t = useTranslations();
  return (
    <ul className="text-[1rem]">
      {sessions.slice(0, 6).map(({ id, startedAt, finishedAt, runs }) => (
        <li key={id} className="flex justify-between gap-3 border-b border-hair py-1.5">
          <Link
            className="font-[600] whitespace-nowrap underline decoration-1 underline-offset-4"
            href={finishedAt ? `/sessions/${id}/review` : `/sessions/${id}`}
          >
            {format(startedAt, 'd MMM')}
          </Link>
          <span className="truncate text-ink2">
            {t('students.lastSessions.putts', {
              drills: [...new Set(runs.map(({ drillName }) => drillName))].join(', '),
              putts: runs.flatMap((run) => counted(run.putts)).length,
              finished: String(!!finishedAt),
            })}
          </span>
        </li>
      ))}
    </ul>
  );
}
