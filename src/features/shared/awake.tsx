'use client';

import { useEffect } from 'react';
import { EARLY } from './keep-early';

/** Stands last in the page: once it is there, all before it listens. */
export function Awake() {
  useEffect(() => {
    window.dispatchEvent(new Event(EARLY.awake));
  }, []);
  return null;
}
