'use client';

import { ThemeProvider } from 'next-themes';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';

export const THEMES = ['light', 'dark', 'glare'] as const;

export function Providers({ nonce, children }: { nonce: string | undefined; children: ReactNode }) {
  return (
    <ThemeProvider
      attribute="data-theme"
      themes={[...THEMES]}
      defaultTheme="system"
      enableSystem
      nonce={nonce}
    >
      {children}
      <Toaster
        position="top-center"
        // Below the buttons in the head of a page, which a message must not cover.
        offset={{ top: 76 }}
        mobileOffset={{ top: 64 }}
        toastOptions={{
          unstyled: true,
          classNames: {
            toast:
              'flex w-full items-center gap-3 rounded-[3px] border-2 border-ink bg-sheet px-4 py-3 text-[0.9375rem] font-[560] text-ink',
            actionButton: 'ml-auto min-h-11 shrink-0 rounded-[3px] bg-ink px-3 text-sheet',
          },
        }}
      />
    </ThemeProvider>
  );
}
