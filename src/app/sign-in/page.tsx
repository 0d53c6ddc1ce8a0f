import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { pathOr } from '@/features/sign-in/path';
import { SignInForm } from '@/features/sign-in/sign-in-form';
import { askingCoach } from '@/features/shared/principal';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage({ searchParams }: PageProps<'/sign-in'>) {
  const to = pathOr((await searchParams).to);
  if (await askingCoach()) redirect(to);
  return (
    <main className="mx-auto grid min-h-dvh max-w-md content-start gap-6 bg-sheet px-6 py-10">
      <div>
        <p className="text-[1.375rem] font-[800] tracking-tight [font-stretch:112%]">Dirigo</p>
        <h1 className="mt-6">Sign in</h1>
      </div>
      <SignInForm to={to} />
      <section
        className="border-t border-rule pt-4 text-[0.96875rem]"
        aria-label="Another way to sign in"
      >
        <h2 className="text-[1.0625rem] num">No passphrase yet, or forgotten it?</h2>
        <p className="mt-1">
          On a device that is signed in, tap <strong>Open on a phone</strong>. On the machine that
          Dirigo runs on, this command prints a link:
        </p>
        <p className="my-2 border border-rule bg-paper px-3 py-2 num">npm run sign-in</p>
        <p className="mt-2 text-ink2">Students do not sign in. Their own link opens their page.</p>
      </section>
    </main>
  );
}
