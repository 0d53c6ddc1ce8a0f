'use client';

import { useEffect, useRef, useState } from 'react';

/**
 * The answer to the newest question. One question is asked at a time; those that come while it is open are passed over
 * but for the last, so that a drag never waits behind its own past.
 *
 * @param key changes when the question does; null asks nothing
 * @param ask answers it
 */
export function useLatest<T>(key: string | null, ask: () => Promise<T>): T | null {
  const [answer, setAnswer] = useState<T | null>(null);
  const open = useRef(false);
  const alive = useRef(true);
  const newest = useRef({ key, ask });
  useEffect(() => {
    newest.current = { key, ask };
  });
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);
  useEffect(() => {
    const next = async () => {
      if (open.current) return;
      open.current = true;
      try {
        for (let asked: string | null = null; alive.current;) {
          const { key: wanted, ask: question } = newest.current;
          if (wanted === null || wanted === asked) break;
          asked = wanted;
          const found = await question();
          if (alive.current) setAnswer(() => found);
        }
      } finally {
        open.current = false;
      }
    };
    void next();
  }, [key]);
  return answer;
}
