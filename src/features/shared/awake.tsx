'use client';

import { useEffect } from 'react';
import { AWAKE } from './keep-early';

/** Stands last in the page: once it is there, all before it listens. */
export function Awake() {
  useEffect(() => {
    window.dispatchEvent(new Event(AWAKE));
  }, []);
  return null;
}
