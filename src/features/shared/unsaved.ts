'use client';

import { useEffect, useSyncExternalStore } from 'react';

/** What a page holds that is not saved, in words: "this drill". The last page to say so is asked about. */
const held = new Map<symbol, string>();
/** Where somebody wants to go meanwhile; null while nobody does. */
let wanted: string | null = null;
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());

/** Says that a page holds something that is not saved: leaving it asks first. */
export function useUnsaved(unsaved: boolean, words: string): void {
  useEffect(() => {
    if (!unsaved) return;
    const key = Symbol(words);
    held.set(key, words);
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      held.delete(key);
      window.removeEventListener('beforeunload', ask);
    };
  }, [unsaved, words]);
}

/** What is not saved here; null for nothing. */
export const unsavedNow = (): string | null => [...held.values()].at(-1) ?? null;

/** Asks whether to leave for another page. */
export function askToLeave(href: string | null): void {
  wanted = href;
  tell();
}

/** The page that somebody wants to go to. */
export const useWanted = (): string | null =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => wanted,
    () => null,
  );
