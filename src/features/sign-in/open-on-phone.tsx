'use client';

import { useTranslations } from 'next-intl';
import { Smartphone } from 'lucide-react';
import { usePathname, useSearchParams } from 'next/navigation';
import { Suspense, useEffect, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { QrCode } from '@/ui/qr-code';
import { SheetDialog } from '@/ui/sheet-dialog';
import { showErrors } from '../shared/show-errors';
import { openOnPhone } from './actions';

/** Typed into a terminal: it is the same in every language. */
const COMMAND = 'npm start -- --network';

interface Code {
  address: string;
  until: Date;
}

/** Seconds until a time, told once a second; 0 when it has passed. */
function useSecondsUntil(until: Date | undefined): number {
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (!until) return;
    const tell = () => setLeft(Math.max(0, Math.ceil((until.getTime() - Date.now()) / 1000)));
    const first = setTimeout(tell);
    const every = setInterval(tell, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(every);
    };
  }, [until]);
  return left;
}

/** One touch, and the page that is open here opens on a phone, signed in as the same coach. */
export function OpenOnPhone(props: { stands: 'in the foot' | 'in a head' | 'in a menu' }) {
  return (
    <Suspense>
      <PhoneDialog {...props} />
    </Suspense>
  );
}

function PhoneDialog({ stands }: { stands: 'in the foot' | 'in a head' | 'in a menu' }) {
  const t = useTranslations();
  const path = usePathname();
  const query = useSearchParams().toString();
  const [open, setOpen] = useState(false);
  // Null where no phone reaches this server.
  const [code, setCode] = useState<Code | null>();
  const [busy, begin] = useTransition();
  const left = useSecondsUntil(code?.until);
  const make = () =>
    begin(async () => {
      setCode(undefined);
      const result = await openOnPhone(query ? `${path}?${query}` : path);
      if (showErrors(result)) setCode(result.value);
      else setOpen(false);
    });
  const onOpen = (next: boolean) => {
    setOpen(next);
    if (next) make();
  };
  return (
    <SheetDialog
      title={t('signIn.openOnPhone.openOnAPhone')}
      sub={code === null ? undefined : t('signIn.openOnPhone.thisPageSignedInAs')}
      open={open}
      onOpen={onOpen}
      returnsFocus={stands === 'in the foot'}
      trigger={
        stands === 'in a head' ? (
          <Button kind="quiet" className="min-h-8 px-1 text-sm text-ink2 max-md:hidden">
            <Smartphone size={15} aria-hidden /> {t('signIn.openOnPhone.openOnAPhone')}
          </Button>
        ) : stands === 'in the foot' ? (
          <button
            type="button"
            className="flex min-h-11 w-full items-center gap-2 text-left text-[0.875rem] leading-tight font-[620] underline underline-offset-4"
          >
            <Smartphone size={18} aria-hidden className="shrink-0" />
            <span>{t('signIn.openOnPhone.openOnAPhone')}</span>
          </button>
        ) : (
          <Button className="min-h-12">
            <Smartphone size={17} aria-hidden /> {t('signIn.openOnPhone.openOnAPhone')}
          </Button>
        )
      }
    >
      {code === null && (
        <div className="mt-3 grid max-w-prose gap-2 text-[1rem]">
          <p>{t('signIn.openOnPhone.phonesCannotReachThisServer')}</p>
          <p className="border border-rule bg-paper px-3 py-2 num">{COMMAND}</p>
          <p className="text-ink2">{t('signIn.openOnPhone.itThenExplainsStepBy')}</p>
        </div>
      )}
      {code && (
        <div className="mt-4 grid gap-4 sm:grid-cols-[auto_1fr] sm:items-center">
          {left > 0 ? (
            <QrCode
              text={code.address}
              label={t('signIn.openOnPhone.qRCodeThatOpensThis')}
              size={232}
            />
          ) : (
            <p className="grid size-[232px] place-items-center border-[length:var(--stroke)] border-rule px-6 text-center text-ink2">
              {t('signIn.openOnPhone.thisCodeHasExpired')}
            </p>
          )}
          <div className="grid gap-2">
            <p className="text-[1.0625rem]">{t('signIn.openOnPhone.pointThePhonesCameraAt')}</p>
            <p role="timer" className="num text-ink2">
              {left > 0
                ? t('signIn.openOnPhone.theCodeWorksOnceFor', {
                    floor: Math.floor(left / 60),
                    padStart: String(left % 60).padStart(2, '0'),
                  })
                : t('signIn.openOnPhone.eachCodeWorksOnceAnd')}
            </p>
            <div className="flex flex-wrap gap-2.5">
              <Button disabled={busy} onClick={make}>
                {t('signIn.openOnPhone.newCode')}
              </Button>
              <Button
                kind="quiet"
                onClick={() =>
                  void navigator.clipboard
                    .writeText(code.address)
                    .then(() => toast(t('signIn.openOnPhone.addressCopied')))
                }
              >
                {t('signIn.openOnPhone.copyAddress')}
              </Button>
            </div>
          </div>
        </div>
      )}
    </SheetDialog>
  );
}
