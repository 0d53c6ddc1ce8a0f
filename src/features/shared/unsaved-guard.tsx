'use client';

import { useTranslations } from 'next-intl';
import { AlertDialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Button } from '@/ui/button';
import { askToLeave, letGo, unsavedNow, useWanted } from './unsaved';

/** Asks before a page is left on which something is not saved: by a link, a key, or back and forward, where the browser lets it be asked. */
export function UnsavedGuard() {
  const t = useTranslations();
  const router = useRouter();
  const wanted = useWanted();
  useEffect(() => {
    const hear = (event: MouseEvent) => {
      if (event.defaultPrevented || event.button !== 0) return;
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      const link = event.target instanceof Element ? event.target.closest('a[href]') : null;
      if (!(link instanceof HTMLAnchorElement) || link.target || link.hasAttribute('download'))
        return;
      const to = new URL(link.href);
      const here = window.location;
      if (to.origin !== here.origin || (to.pathname === here.pathname && to.search === here.search))
        return;
      if (unsavedNow() === null) return;
      event.preventDefault();
      event.stopPropagation();
      askToLeave({ href: `${to.pathname}${to.search}${to.hash}` });
    };
    const back = (event: NavigateEvent) => {
      if (event.navigationType !== 'traverse' || !event.cancelable || unsavedNow() === null) return;
      event.preventDefault();
      askToLeave({ entry: event.destination.key });
    };
    // Not every browser has it; there what is left by going back is asked by none.
    const history = 'navigation' in window ? window.navigation : null;
    document.addEventListener('click', hear, { capture: true });
    history?.addEventListener('navigate', back);
    return () => {
      document.removeEventListener('click', hear, { capture: true });
      history?.removeEventListener('navigate', back);
    };
  }, []);
  return (
    <AlertDialog.Root open={wanted !== null} onOpenChange={(open) => !open && askToLeave(null)}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
        <AlertDialog.Content className="fixed top-[20vh] left-1/2 z-50 grid w-[min(92vw,440px)] -translate-x-1/2 gap-4 rounded-[3px] border-2 border-ink bg-sheet p-5">
          <AlertDialog.Title className="text-[1.25rem] num">
            {t('shared.unsavedGuard.leaveWithoutSaving')}
          </AlertDialog.Title>
          <AlertDialog.Description className="text-[1rem]">
            {t('shared.unsavedGuard.yourChangesToAreNot', {
              unsavedNow: unsavedNow() ?? t('shared.unsavedGuard.thisPage'),
            })}
          </AlertDialog.Description>
          <div className="flex flex-wrap gap-2.5">
            <AlertDialog.Cancel asChild>
              <Button kind="primary">{t('shared.unsavedGuard.stayOnThisPage')}</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button
                onClick={() => {
                  const to = wanted;
                  askToLeave(null);
                  letGo();
                  if (to && 'href' in to) router.push(to.href);
                  if (to && 'entry' in to) window.navigation.traverseTo(to.entry);
                }}
              >
                {t('shared.unsavedGuard.leaveAndLoseChanges')}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
