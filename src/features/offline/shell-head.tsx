import { useTranslations } from 'next-intl';
import { ArrowLeft, Wifi, WifiOff } from 'lucide-react';
import type { ReactNode } from 'react';

/** The head of every screen that works with no server: what it is, and whether the server answers. */
export function ShellHead({
  title,
  online,
  onBack,
  children,
}: {
  title: string;
  online: boolean | null;
  onBack?: () => void;
  children?: ReactNode;
}) {
  const t = useTranslations();
  return (
    <header className="grid gap-1 border-b-[length:var(--stroke)] border-ink bg-sheet px-4 pt-4 pb-3 md:px-7">
      <div className="flex items-center justify-between gap-3">
        {onBack ? (
          <button
            type="button"
            onClick={onBack}
            className="inline-flex min-h-11 items-center gap-1.5 text-[1rem] underline underline-offset-4"
          >
            <ArrowLeft size={17} aria-hidden /> {t('offline.shellHead.back')}
          </button>
        ) : (
          <span />
        )}
        <p role="status" className="inline-flex items-center gap-1.5 text-[0.9375rem] font-[620]">
          {online ? <Wifi size={17} aria-hidden /> : <WifiOff size={17} aria-hidden />}
          {online === null
            ? t('offline.shellHead.connecting')
            : online
              ? t('offline.shellHead.online')
              : t('offline.shellHead.offline')}
        </p>
      </div>
      <h1>{title}</h1>
      {children}
    </header>
  );
}
