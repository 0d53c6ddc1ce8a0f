import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { CopyButton } from './take-buttons';

/** Below a drill: its copy, its file, and its older versions, to look at and to save again as the newest. */
export function DrillFoot({
  id,
  versions,
  shown,
}: {
  id: string;
  versions: { number: number; at: Date | null }[];
  shown: number;
}) {
  const t = useTranslations();
  return (
    <nav
      aria-label={t('drills.drillFoot.copiesAndVersions')}
      className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-t border-rule px-4 py-2 text-[0.9375rem] md:px-7"
    >
      <CopyButton id={id} />
      <a href={`/drills/${id}/file`} download className="underline underline-offset-4">
        {t('drills.drillFoot.downloadDrill')}
      </a>
      {versions.length > 1 && (
        <>
          <span className="cap">{t('drills.drillFoot.versionsEachSessionKeepsThe')}</span>
          {versions.map(({ number, at }) => (
            <Link
              key={number}
              href={`/drills/${id}?version=${number}`}
              aria-current={number === shown ? 'page' : undefined}
              className={number === shown ? 'font-[700]' : 'underline underline-offset-4'}
            >
              {number}
              {at && (
                <span className="text-ink2">
                  {' '}
                  {t('drills.drillFoot.from', { date: format(at, 'd MMM yyyy') })}
                </span>
              )}
            </Link>
          ))}
        </>
      )}
    </nav>
  );
}
