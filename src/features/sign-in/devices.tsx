'use client';

import type { MessageKey } from '@/words/translate';
import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { emptyDevice } from '../offline/device';
import { signOut } from './actions';

interface DeviceShown {
  id: string;
  name: string;
  way: string;
  seenAt: Date;
}

const WAYS: Record<string, MessageKey> = {
  link: 'signIn.devices.wayLink',
  phone: 'signIn.devices.wayPhone',
  passphrase: 'signIn.devices.wayPassphrase',
  passkey: 'signIn.devices.wayPasskey',
};

/** The devices that are signed in as this coach, and a way to sign each out. */
export function Devices({ devices, here }: { devices: DeviceShown[]; here: string | null }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const end = ({ id, name }: DeviceShown) =>
    begin(async () => {
      if (!showErrors(await signOut(id))) return;
      if (id === here) {
        await emptyDevice().catch(() => undefined);
        router.replace('/sign-in');
      } else toast(t('signIn.devices.hasBeenSignedOut', { name }));
    });
  if (devices.length === 0) {
    return <p className="text-[1rem]">{t('signIn.devices.noDeviceIsSignedIn')}</p>;
  }
  return (
    <ul>
      {devices.map((device) => (
        <li
          key={device.id}
          className="flex items-center justify-between gap-3 border-b border-rule py-3 last:border-0"
        >
          <div>
            <p className="text-[1.0625rem] font-[620]">
              {device.name}
              {device.id === here && (
                <span className="text-ink2"> {t('signIn.devices.thisDevice')}</span>
              )}
            </p>
            <p className="text-[0.9375rem] text-ink2">
              {t('signIn.devices.lastSeenSignedIn', {
                date: format(device.seenAt, 'd MMMM, HH:mm'),
                way: t(WAYS[device.way] ?? 'signIn.devices.wayLink'),
              })}
            </p>
          </div>
          <Button
            disabled={busy}
            aria-label={t('signIn.devices.signOutThisDevice', {
              device: device.name,
              id: String(device.id === here),
            })}
            onClick={() => end(device)}
          >
            {t('signIn.devices.signOut')}
          </Button>
        </li>
      ))}
    </ul>
  );
}
