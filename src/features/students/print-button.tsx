'use client';

import { Printer } from 'lucide-react';
import { Button } from '@/ui/button';

/** Prints the page, or keeps it as a PDF where the browser can. */
export function PrintButton() {
  return (
    <Button kind="primary" onClick={() => window.print()}>
      <Printer size={17} aria-hidden /> Print or keep as PDF
    </Button>
  );
}
