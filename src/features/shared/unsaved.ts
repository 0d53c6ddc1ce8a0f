'use client';

import { useEffect, useSyncExternalStore } from 'react';

/** What a page holds that is not saved, in words: "this drill". The last page to say so is asked about. */
const held = new Map<symbol, string>();
/** Where somebody wants to go: to an address of ours, or to a place of the history by its key. */
export type Wanted = { href: string } | { entry: string };

/** Where somebody wants to go meanwhile; null while nobody does. */
let wanted: Wanted | null = null;
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

/** Asks whether to leave for another page; with null nobody is asked any more. */
export function askToLeave(to: Wanted | null): void {
  wanted = to;
  tell();
}

/** Lets go of what is not saved: it was said that it may be lost. */
export const letGo = (): void => held.clear();

/** The page that somebody wants to go to. */
export const useWanted = (): Wanted | null =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => wanted,
    () => null,
  );
