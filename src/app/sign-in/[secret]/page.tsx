import type { Metadata } from 'next';
import { Link } from '@/ui/link';
import { connection as untilRequested } from 'next/server';
import { connection, ticketFor } from '@/data';
import { SignInHere } from '@/features/sign-in/sign-in-here';
import { Button } from '@/ui/button';

export const metadata: Metadata = {
  title: 'Sign in',
  robots: { index: false, follow: false },
  // The address holds a secret: no page that is gone to from here is told it.
  referrer: 'no-referrer',
};

export default async function SignInByLinkPage({ params }: PageProps<'/sign-in/[secret]'>) {
  await untilRequested();
  const { secret } = await params;
  const stands = await ticketFor(await connection(), secret, new Date());
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-start gap-6 bg-sheet px-6 py-10">
      <div>
        <p className="text-[1.375rem] font-[800] tracking-tight [font-stretch:112%]">Dirigo</p>
        <h1 className="mt-6">
          {stands
            ? `Sign in${stands.name ? ` as ${stands.name}` : ' on this device'}?`
            : 'This link no longer works'}
        </h1>
      </div>
      {stands ? (
        <>
          <p>
            This device will then open everything that is yours. You can sign it out at any time in
            Settings, from here or from another device.
          </p>
          <SignInHere secret={secret} />
        </>
      ) : (
        <>
          <p>
            A link or a code signs in one device, once, and expires soon. Get a new one from a
            device that is signed in, or from the machine that Dirigo runs on.
          </p>
          <div>
            <Button asChild kind="primary">
              <Link href="/sign-in">Sign in another way</Link>
            </Button>
          </div>
        </>
      )}
    </main>
  );
}
