'use client';

import { useTheme } from 'next-themes';
import { useEffect, useState } from 'react';

const TOKENS = ['ink', 'ink2', 'hair', 'line', 'hole'] as const;
type Palette = Record<(typeof TOKENS)[number], string>;

/** The theme's inks as the canvas needs them; read again when the theme changes. */
export function usePalette(): Palette | null {
  const { resolvedTheme } = useTheme();
  const [palette, setPalette] = useState<Palette | null>(null);
  useEffect(() => {
    const style = getComputedStyle(document.documentElement);
    const read = () =>
      setPalette(
        Object.fromEntries(
          TOKENS.map((name) => [name, style.getPropertyValue(`--${name}`).trim()]),
        ) as Palette,
      );
    const frame = requestAnimationFrame(read);
    return () => cancelAnimationFrame(frame);
  }, [resolvedTheme]);
  return palette;
}
