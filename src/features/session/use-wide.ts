'use client';

import { useEffect, useState } from 'react';

/** Whether the drawing lies along the screen: on anything wider than it is high and wider than a phone. */
export function useWide(): boolean {
  const [wide, setWide] = useState(false);
  useEffect(() => {
    const query = window.matchMedia('(min-width: 900px) and (orientation: landscape)');
    const update = () => setWide(query.matches);
    update();
    query.addEventListener('change', update);
    return () => query.removeEventListener('change', update);
  }, []);
  return wide;
}
