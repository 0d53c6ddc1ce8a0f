'use client';

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

const WAYS: Record<string, string> = {
  link: 'with a link',
  phone: 'with a code',
  passphrase: 'with a passphrase',
  passkey: 'with a passkey',
};

/** The devices that are signed in as this coach, and a way to sign each out. */
export function Devices({ devices, here }: { devices: DeviceShown[]; here: string | null }) {
  const router = useRouter();
  const [busy, begin] = useTransition();
  const end = ({ id, name }: DeviceShown) =>
    begin(async () => {
      if (!showErrors(await signOut(id))) return;
      if (id === here) {
        await emptyDevice().catch(() => undefined);
        router.replace('/sign-in');
      } else toast(`${name} has been signed out.`);
    });
  if (devices.length === 0) {
    return (
      <p className="text-[1rem]">
        No device is signed in. Anyone at this machine can use the demo.
      </p>
    );
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
              {device.id === here && <span className="text-ink2"> · this device</span>}
            </p>
            <p className="text-[0.9375rem] text-ink2">
              last seen {format(device.seenAt, 'd MMMM, HH:mm')} · signed in{' '}
              {WAYS[device.way] ?? device.way}
            </p>
          </div>
          <Button
            disabled={busy}
            aria-label={`Sign out ${device.id === here ? 'this device' : device.name}`}
            onClick={() => end(device)}
          >
            Sign out
          </Button>
        </li>
      ))}
    </ul>
  );
}
