import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { Link } from '@/ui/link';
import { connection as untilRequested } from 'next/server';
import { connection, ticketFor } from '@/data';
import { SignInHere } from '@/features/sign-in/sign-in-here';
import { Button } from '@/ui/button';

export const generateMetadata = pageTitle('titles.signIn', {
  robots: { index: false, follow: false },
  // The address holds a secret: no page that is gone to from here is told it.
  referrer: 'no-referrer',
});

export default async function SignInByLinkPage({ params }: PageProps<'/sign-in/[secret]'>) {
  const t = await getTranslations();
  await untilRequested();
  const { secret } = await params;
  const stands = await ticketFor(await connection(), secret, new Date());
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-start gap-6 bg-sheet px-6 py-10">
      <div>
        <p className="text-[1.375rem] font-[800] tracking-tight [font-stretch:112%]">
          {t('pages.signIn.dirigo')}
        </p>
        <h1 className="mt-6">
          {stands
            ? t('pages.signIn.signInAs', { stands: stands.name, stands2: String(!!stands.name) })
            : t('pages.signIn.thisLinkNoLongerWorks')}
        </h1>
      </div>
      {stands ? (
        <>
          <p>{t('pages.signIn.thisDeviceWillThenOpen')}</p>
          <SignInHere secret={secret} />
        </>
      ) : (
        <>
          <p>{t('pages.signIn.aLinkOrACode')}</p>
          <div>
            <Button asChild kind="primary">
              <Link href="/sign-in">{t('pages.signIn.signInAnotherWay')}</Link>
            </Button>
          </div>
        </>
      )}
    </main>
  );
}
