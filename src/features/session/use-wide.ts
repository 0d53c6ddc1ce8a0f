'use client';

import { useEffect, useState } from 'react';

function useMedia(words: string): boolean {
  const [matches, setMatches] = useState(false);
  useEffect(() => {
    const query = window.matchMedia(words);
    const update = () => setMatches(query.matches);
    update();
    query.addEventListener('change', update);
    return () => query.removeEventListener('change', update);
  }, [words]);
  return matches;
}

/** Whether there is a keyboard's worth of width: anything wider than it is high and wider than a phone. */
export const useWide = (): boolean => useMedia('(min-width: 900px) and (orientation: landscape)');

/** Whether the keys stand beside the picture, which lies along the screen: on anything wider than it is high. */
export const useBeside = (): boolean => useMedia('(orientation: landscape)');
