import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { redirect } from 'next/navigation';
import { pathOr } from '@/features/sign-in/path';
import { SignInForm } from '@/features/sign-in/sign-in-form';
import { askingCoach } from '@/features/shared/principal';

/** Typed into a terminal: it is the same in every language. */
const COMMAND = 'npm run sign-in';

export const generateMetadata = pageTitle('titles.signIn');

export default async function SignInPage({ searchParams }: PageProps<'/sign-in'>) {
  const t = await getTranslations();
  const to = pathOr((await searchParams).to);
  if (await askingCoach()) redirect(to);
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-start gap-6 bg-sheet px-6 py-10">
      <div>
        <p className="text-[1.375rem] font-[800] tracking-tight [font-stretch:112%]">
          {t('pages.signIn.dirigo')}
        </p>
        <h1 className="mt-6">{t('pages.signIn.signIn')}</h1>
      </div>
      <SignInForm to={to} />
      <section
        className="border-t border-rule pt-4 text-[0.96875rem]"
        aria-label={t('pages.signIn.anotherWayToSignIn')}
      >
        <h2 className="text-[1.0625rem] num">{t('pages.signIn.noPassphraseYetOrForgotten')}</h2>
        <p className="mt-1">
          {t.rich('pages.signIn.onADeviceThatIs', {
            strong: (chunks) => <strong>{chunks}</strong>,
          })}
        </p>
        <p className="my-2 border border-rule bg-paper px-3 py-2 num">{COMMAND}</p>
        <p className="mt-2 text-ink2">{t('pages.signIn.studentsDoNotSignIn')}</p>
      </section>
    </main>
  );
}
