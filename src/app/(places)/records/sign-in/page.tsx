import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { headers } from 'next/headers';
import { Link } from '@/ui/link';
import { format } from '@/ui/when';
import {
  hasPassphrase,
  listDevices,
  listInstruments,
  listPasskeys,
  listSessions,
  listStudents,
} from '@/data';
import { Instruments } from '@/features/instruments/instruments';
import { originOf } from '@/features/shared/origin';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { Devices } from '@/features/sign-in/devices';
import { WaysIn } from '@/features/sign-in/ways-in';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.devices');

/** A number in place of a name: "192.168.1.20", "[::1]:3000". */
const NUMBER = /^(\d+(\.\d+){3}|\[.*\])(:\d+)?$/;

export default async function DevicesPage() {
  const t = await getTranslations();
  const { database, principal } = await coachContext();
  const at = new Date();
  const [devices, passkeys, passphrase, instruments, sessions, students] = await Promise.all([
    listDevices(database, principal, at),
    listPasskeys(database, principal),
    hasPassphrase(database, principal),
    listInstruments(database, principal),
    listSessions(database, principal, { open: true }),
    listStudents(database, principal),
  ]);
  const open = sessions.map(({ id, studentId, startedAt }) => ({
    value: id,
    label: `${students.find((one) => one.id === studentId)?.name ?? t('pages.recordsSignIn.unknownStudent')}, ${format(startedAt, 'd MMM HH:mm')}`,
  }));
  const host = (await headers()).get('host') ?? '';
  return (
    <>
      <PlaceHead
        title={t('pages.recordsSignIn.devices')}
        sub={t('pages.recordsSignIn.whereYouAreSignedIn')}
      >
        <Button asChild>
          <Link href="/records">{t('pages.recordsSignIn.settings')}</Link>
        </Button>
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_420px] lg:divide-x lg:divide-y-0">
        <section className="px-4 py-6 md:px-7" aria-label={t('pages.recordsSignIn.signedIn')}>
          <h2 className="mb-2 text-[1.25rem] num">{t('pages.recordsSignIn.signedIn')}</h2>
          <Devices devices={devices} here={principal.deviceId} />
          <p className="mt-4 max-w-prose text-[0.9375rem] text-ink2">
            {t('pages.recordsSignIn.signingADeviceOutTakes')}
          </p>
          <h2 className="mt-8 mb-2 text-[1.25rem] num">
            {t('pages.recordsSignIn.instrumentsThatSendPutts')}
          </h2>
          <Instruments
            instruments={instruments}
            open={open}
            mayAdd={principal.as !== 'assistant'}
            address={`${originOf(host)}/api/instruments/putts`}
          />
        </section>
        <section className="px-4 py-6 md:px-7" aria-label={t('pages.recordsSignIn.waysToSignIn')}>
          <h2 className="mb-4 text-[1.25rem] num">{t('pages.recordsSignIn.waysToSignIn')}</h2>
          <WaysIn passphrase={passphrase} passkeys={passkeys} named={!NUMBER.test(host)} />
        </section>
      </div>
    </>
  );
}
