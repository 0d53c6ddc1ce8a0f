'use client';

import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

/** A switch that this device remembers. */
export function useKeptSwitch(name: string, first: boolean): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => {
      const kept = localStorage.getItem(`dirigo-${name}`);
      return kept === null ? first : kept === 'on';
    },
    () => first,
  );
  return [
    on,
    (next) => {
      localStorage.setItem(`dirigo-${name}`, next ? 'on' : 'off');
      listeners.forEach((listener) => listener());
    },
  ];
}
