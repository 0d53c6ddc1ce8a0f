'use client';

import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

/** A word that this device remembers. */
export function useKept(name: string, first: string): [string, (value: string) => void] {
  const place = `dirigo-${name}`;
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => localStorage.getItem(place) ?? first,
    () => first,
  );
  return [
    value,
    (next) => {
      localStorage.setItem(place, next);
      listeners.forEach((listener) => listener());
    },
  ];
}

/** A switch that this device remembers. */
export function useKeptSwitch(name: string, first: boolean): [boolean, (on: boolean) => void] {
  const [kept, keep] = useKept(name, first ? 'on' : 'off');
  return [kept === 'on', (next) => keep(next ? 'on' : 'off')];
}
