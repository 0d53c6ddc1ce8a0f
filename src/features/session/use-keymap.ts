'use client';

import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { KEY_ACTIONS, type KeyMap } from './keymap';

const PLACE = 'dirigo-keys';
const NONE: KeyMap = {};
const actions = Object.keys(KEY_ACTIONS) as (keyof typeof KEY_ACTIONS)[];
const schema = z
  .partialRecord(z.enum(actions), z.string().min(1).max(20))
  .catch({})
  .transform((map): KeyMap => map);

const listeners = new Set<() => void>();
let read: { text: string | null; map: KeyMap } = { text: null, map: NONE };

/** What is kept is read again only when it has changed: a snapshot must stay the same object. */
function current(): KeyMap {
  const text = localStorage.getItem(PLACE);
  if (text !== read.text) {
    let kept: unknown = {};
    try {
      kept = JSON.parse(text ?? '{}');
    } catch {
      // What another program wrote there is no key map.
    }
    read = { text, map: schema.parse(kept) };
  }
  return read.map;
}

/** The keys that are set on this device, and a way to set them. */
export function useKeyMap(): [KeyMap, (map: KeyMap) => void] {
  const map = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    current,
    () => NONE,
  );
  return [
    map,
    (next) => {
      localStorage.setItem(PLACE, JSON.stringify(next));
      listeners.forEach((listener) => listener());
    },
  ];
}
