'use client';

import { Printer } from 'lucide-react';
import { Button } from '@/ui/button';

/** Prints the page. */
export function PrintButton() {
  return (
    <Button kind="primary" onClick={() => window.print()}>
      <Printer size={17} aria-hidden /> Print
    </Button>
  );
}
