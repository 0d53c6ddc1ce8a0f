import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { Button } from '@/ui/button';
import type { Brief } from './brief';

/** What the player does, how sure it is, and the next thing to do, with the one touch that starts it. */
export function BriefPart({
  brief: { says, sure, next },
  archived,
}: {
  brief: Brief;
  archived: boolean;
}) {
  const t = useTranslations();
  return (
    <section
      aria-label={t('students.briefPart.summary')}
      className="flex flex-wrap items-center justify-between gap-x-8 gap-y-3 border-b-[length:var(--stroke)] border-ink bg-sheet px-4 py-3.5 md:px-7"
    >
      <div className="min-w-0 flex-1 basis-72">
        <p className="text-[1.25rem] leading-snug font-[640]">
          {says} {sure && <span className="text-[1rem] font-normal text-ink2">{sure}.</span>}
        </p>
        {next && (
          <p className="text-[1.0625rem]">{t('students.briefPart.next', { words: next.words })}</p>
        )}
      </div>
      {next && !archived && (
        <Button asChild kind="primary" className="min-h-14 px-7 text-[1.125rem] max-sm:w-full">
          <Link href={next.href}>{t('students.briefPart.startDrill')}</Link>
        </Button>
      )}
    </section>
  );
}
